using System.Globalization;

namespace AbleMend.Devices;

/// <summary>One line of a script: what an instrument is told, and when.</summary>
/// <param name="At">After the start.</param>
/// <param name="Instrument">Its identifier.</param>
/// <param name="Words">A word and, for most, a number, such as <c>pour 20</c>.</param>
internal sealed record Cue(TimeSpan At, string Instrument, string Words);

/// <summary>
/// What simulated instruments are told one after another. One line is one cue: the seconds since the start, the instrument, and what it is told,
/// with spaces between. Empty lines and what follows a <c>#</c> are passed over.
/// </summary>
internal static class Script
{
    /// <summary>Longest time after the start that a cue may name.</summary>
    private static readonly TimeSpan Longest = TimeSpan.FromDays(31);

    /// <summary>Reads a script.</summary>
    /// <param name="text">Its lines.</param>
    /// <param name="all">The instruments there are.</param>
    /// <returns>Its cues in the order of their times, and what is wrong with each line that is none.</returns>
    public static (IReadOnlyList<Cue> Cues, IReadOnlyList<string> Faults) Parse(string text, IReadOnlyList<Simulated> all)
    {
        var (cues, faults) = (new List<Cue>(), new List<string>());
        foreach (var (i, line) in text.Split('\n').Index())
        {
            var said = line.Split('#')[0].Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
            if (said.Length == 0)
            {
                continue;
            }

            if (FaultOf(said, all) is { } fault)
            {
                faults.Add($"Line {i + 1}: {fault}");
            }
            else
            {
                cues.Add(new Cue(TimeSpan.FromSeconds(double.Parse(said[0], NumberStyles.Float, CultureInfo.InvariantCulture)), said[1], string.Join(' ', said[2..])));
            }
        }

        // Two cues of one moment stay in the order of their lines.
        return ([.. cues.OrderBy(cue => cue.At)], faults);
    }

    /// <summary>Plays a script: tells each instrument what its cues say, when they say it.</summary>
    /// <param name="cues">The cues in the order of their times.</param>
    /// <param name="tell">Tells an instrument what it is to do.</param>
    /// <param name="clock">The clock that it is played by.</param>
    /// <param name="cancel">Stops it.</param>
    public static async Task PlayAsync(IReadOnlyList<Cue> cues, Action<Cue> tell, TimeProvider clock, CancellationToken cancel)
    {
        var began = clock.GetTimestamp();
        foreach (var cue in cues)
        {
            if (cue.At - clock.GetElapsedTime(began) is { Ticks: > 0 } left)
            {
                await Task.Delay(left, clock, cancel).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
            }

            if (cancel.IsCancellationRequested)
            {
                return;
            }

            tell(cue);
        }
    }

    private static string? FaultOf(string[] said, IReadOnlyList<Simulated> all) =>
        said.Length is < 3 or > 4 ? "say the seconds since the start, the instrument and what it is told, such as '12.5 bench-scale pour 20'."
        : !double.TryParse(said[0], NumberStyles.Float, CultureInfo.InvariantCulture, out var seconds) || !(seconds >= 0 && seconds <= Longest.TotalSeconds) ? $"'{said[0]}' is no number of seconds from 0 to {Longest.TotalSeconds:0}."
        : all.FirstOrDefault(each => each.Instrument.Id == said[1]) is not { } told ? $"there is no '{said[1]}'; there are {string.Join(", ", all.Select(each => each.Instrument.Id))}."
        : !told.Knows(string.Join(' ', said[2..])) ? $"{said[1]} does not know how to '{string.Join(' ', said[2..])}'; it knows {string.Join(", ", told.Does.Select(each => each.Example))}."
        : null;
}
