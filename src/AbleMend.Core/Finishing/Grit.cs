using System.Globalization;
using AbleMend.Core.Figures;

namespace AbleMend.Core.Finishing;

/// <summary>Scale on which a grit is graded. The two part company above 220.</summary>
public enum GritScale
{
    /// <summary>P grades, ISO 6344 (FEPA 43).</summary>
    P,

    /// <summary>American grades, CAMI.</summary>
    Cami,
}

/// <summary>A grit: scale, grade and median particle.</summary>
/// <param name="Scale">Scale.</param>
/// <param name="Grade">Number printed on the sheet.</param>
/// <param name="MedianUm">Median particle size in micrometres.</param>
public sealed record Grit(GritScale Scale, int Grade, double MedianUm)
{
    private static readonly Dictionary<int, double> MedianOfP = new()
    {
        [40] = 425,
        [60] = 269,
        [80] = 201,
        [100] = 162,
        [120] = 125,
        [150] = 100,
        [180] = 82,
        [220] = 68,
        [240] = 58.5,
        [280] = 52.2,
        [320] = 46.2,
        [360] = 40.5,
        [400] = 35.0,
        [500] = 30.2,
        [600] = 25.8,
        [800] = 21.8,
        [1000] = 18.3,
        [1200] = 15.3,
        [1500] = 12.6,
        [2000] = 10.3,
        [2500] = 8.4,
    };

    private static readonly Dictionary<int, double> MedianOfCami = new()
    {
        [60] = 268,
        [80] = 190,
        [100] = 140,
        [120] = 115,
        [150] = 92,
        [180] = 78,
        [220] = 66,
        [240] = 53.5,
        [280] = 44,
        [320] = 36,
        [360] = 28.8,
        [400] = 23.6,
        [500] = 19.7,
        [600] = 16,
    };

    /// <summary>The citation of the particle sizes.</summary>
    public static Source Source { get; } =
        Source.Published("ISO 6344 (FEPA 43) median particle sizes; American grades from ANSI B74.18, written down from memory");

    /// <value>All grits that are known, coarse to fine.</value>
    public static IReadOnlyList<Grit> All { get; } =
    [
        .. MedianOfP.Select(pair => new Grit(GritScale.P, pair.Key, pair.Value))
            .Concat(MedianOfCami.Select(pair => new Grit(GritScale.Cami, pair.Key, pair.Value)))
            .OrderByDescending(grit => grit.MedianUm),
    ];

    /// <value>How it is written: <c>P220</c>, or <c>220 CAMI</c>.</value>
    public string Label => Scale == GritScale.P ? $"P{Grade}" : $"{Grade} CAMI";

    /// <summary>Reads a grit as written on a sheet: <c>P220</c> or <c>220 CAMI</c>.</summary>
    /// <returns>The grit, or null when the grade is not on the scale.</returns>
    public static Grit? TryParse(string text)
    {
        var cami = text.EndsWith(" CAMI", StringComparison.OrdinalIgnoreCase);
        var digits = cami ? text[..^5] : text.StartsWith('P') ? text[1..] : "";
        if (!int.TryParse(digits, NumberStyles.None, CultureInfo.InvariantCulture, out var grade))
        {
            return null;
        }

        return TryParse(cami ? GritScale.Cami : GritScale.P, grade);
    }

    /// <summary>The grit of a grade.</summary>
    /// <returns>The grit, or null when the grade is not on the scale.</returns>
    public static Grit? TryParse(GritScale scale, double grade)
    {
        var table = scale == GritScale.Cami ? MedianOfCami : MedianOfP;
        return table.TryGetValue((int)grade, out var median) && grade == (int)grade ? new Grit(scale, (int)grade, median) : null;
    }
}
