using System.Globalization;
using System.Xml.Linq;
using AbleMend.Core.Instruments;
using QRCoder;

namespace AbleMend.Devices;

/// <summary>A printer of labels that writes each into a file of its own, as SVG, and counts what is left on its roll.</summary>
/// <param name="into">Directory that the files go to; made when the first is printed.</param>
internal sealed class SimulatedLabelPrinter(DirectoryInfo into) : Simulated
{
    private const int Roll = 200;

    // In millimetres. From memory: the width of a usual roll, and letters that are read at arm's length.
    private const double WidthMm = 62, MarginMm = 3, LargeMm = 7, SmallMm = 3.2, CodeMm = 34;

    /// <summary>Characters that fit side by side: a letter is about half as wide as it is high.</summary>
    private const int SmallAcross = (int)((WidthMm - (2 * MarginMm)) / (SmallMm * 0.52)), LargeAcross = (int)((WidthMm - (2 * MarginMm)) / (LargeMm * 0.6));

    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";

    private readonly List<string> _lines = [];
    private int _left = Roll;
    private int _toCome;
    private string? _code;

    public override Instrument Instrument => new("label-printer", "Label printer", [new Measured(Measurand.Labels, 1)], true);

    public override IReadOnlyList<Deed> Does => [new("roll", 1, 2000, labels => _left = (int)labels), Deed.Bare("empty", () => _left = 0)];

    public override void Pass(double seconds)
    {
    }

    public override IEnumerable<Reading> Read() => [new Reading(Measurand.Labels, _left, true)];

    public override bool TryPrint(string line)
    {
        if (line.StartsWith("label ", StringComparison.Ordinal) && int.TryParse(line["label ".Length..], NumberStyles.None, CultureInfo.InvariantCulture, out var count) && count is > 0 and <= LabelToPrint.MostLines)
        {
            // What was left off in the middle is not printed.
            _lines.Clear();
            (_toCome, _code) = (count, null);
            return true;
        }

        if (line.StartsWith("code ", StringComparison.Ordinal) && _toCome > 0 && _lines.Count == 0)
        {
            _code = line["code ".Length..];
            return true;
        }

        if (!line.StartsWith("- ", StringComparison.Ordinal) || _toCome == 0)
        {
            return false;
        }

        _lines.Add(line[2..]);
        if (--_toCome == 0)
        {
            Print();
        }

        return true;
    }

    private void Print()
    {
        if (_left == 0)
        {
            return;
        }

        into.Create();
        var number = 1 + into.EnumerateFiles("label-*.svg").Select(file => int.TryParse(file.Name["label-".Length..^".svg".Length], NumberStyles.None, CultureInfo.InvariantCulture, out var each) ? each : 0).DefaultIfEmpty(0).Max();
        Drawn(_lines, _code).Save(Path.Combine(into.FullName, string.Create(CultureInfo.InvariantCulture, $"label-{number:0000}.svg")));
        _left--;
    }

    /// <summary>The label as it comes out: as long as what stands on it.</summary>
    private static XDocument Drawn(IReadOnlyList<string> lines, string? code)
    {
        var (y, texts) = (MarginMm, new List<XElement>());
        if (code is not null)
        {
            texts.Add(Code(code, y));
            y += CodeMm;
        }

        foreach (var (index, line) in lines.Index())
        {
            var (size, across) = index == 0 ? (LargeMm, LargeAcross) : (SmallMm, SmallAcross);
            foreach (var part in Broken(line, across))
            {
                y += size * 1.15;
                texts.Add(new XElement(Svg + "text", new XAttribute("x", Mm(MarginMm)), new XAttribute("y", Mm(y)), new XAttribute("font-size", Mm(size)), new XAttribute("font-weight", index == 0 ? "bold" : "normal"), part));
            }

            y += size * 0.2;
        }

        var height = y + MarginMm;
        return new XDocument(new XElement(
            Svg + "svg", new XAttribute("width", $"{Mm(WidthMm)}mm"), new XAttribute("height", $"{Mm(height)}mm"), new XAttribute("viewBox", $"0 0 {Mm(WidthMm)} {Mm(height)}"), new XAttribute("font-family", "sans-serif"),
            new XElement(Svg + "rect", new XAttribute("width", Mm(WidthMm)), new XAttribute("height", Mm(height)), new XAttribute("fill", "white")), texts));
    }

    /// <summary>The code, with its quiet zone, square by square in one path.</summary>
    private static XElement Code(string code, double y)
    {
        using var generator = new QRCodeGenerator();
        var rows = generator.CreateQrCode(code, QRCodeGenerator.ECCLevel.M).ModuleMatrix;
        var squares = rows.SelectMany((row, down) => Enumerable.Range(0, row.Count).Where(across => row[across]).Select(across => string.Create(CultureInfo.InvariantCulture, $"M{across} {down}h1v1h-1z")));
        return new XElement(Svg + "path", new XAttribute("d", string.Concat(squares)), new XAttribute("shape-rendering", "crispEdges"),
            new XAttribute("transform", $"translate({Mm((WidthMm - CodeMm) / 2)} {Mm(y)}) scale({(CodeMm / rows.Count).ToString("0.#####", CultureInfo.InvariantCulture)})"));
    }

    /// <summary>A line in as many as it takes, broken between words; a word that is too long by itself is broken as well.</summary>
    private static IEnumerable<string> Broken(string line, int across)
    {
        var now = "";
        foreach (var word in line.Split(' ').SelectMany(word => word.EnumerateRunes().Chunk(across).Select(part => string.Concat(part))))
        {
            if (now.Length > 0 && now.Length + 1 + word.Length > across)
            {
                yield return now;
                now = word;
            }
            else
            {
                now = now.Length == 0 ? word : $"{now} {word}";
            }
        }

        yield return now;
    }

    private static string Mm(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);
}
