using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Running;

/// <summary>What a mend lies in, as it was planned with and as it was read since.</summary>
internal static class Surroundings
{
    /// <summary>The air at the bench: what is in a cup, or in something blown up, goes by it.</summary>
    /// <param name="repairCase">Case that the plan was made from.</param>
    /// <param name="startedAt">When the run was started.</param>
    /// <param name="events">Events that stand, in order.</param>
    public static Climate Air(RepairCase repairCase, DateTimeOffset startedAt, IReadOnlyList<RunEvent> events) =>
        repairCase.Bench.ClimateFrom(startedAt).WithReadings([.. Read(events, RunEventKind.Reading).Select(each => new ClimateSpan(each.At, each.Value!.Value))]);

    /// <summary>
    /// What cures on the item goes by the item: its own surface where that is read, else the air; and by the water and the light that are
    /// really there. A reading of the surface holds as one of the air does, and no later reading of the air takes its place meanwhile.
    /// </summary>
    /// <param name="repairCase">Case that the plan was made from.</param>
    /// <param name="startedAt">When the run was started.</param>
    /// <param name="events">Events that stand, in order.</param>
    public static Climate AtItem(RepairCase repairCase, DateTimeOffset startedAt, IReadOnlyList<RunEvent> events)
    {
        var air = Air(repairCase, startedAt, events);
        var surface = Read(events, RunEventKind.Surface);
        var damp = Read(events, RunEventKind.Humidity).Select(each => (each.At, Share: MoistureShare(repairCase.Bench, air, each.At, each.Value!.Value))).ToList();
        // What was read of the surface ends when the heating goes on or off; what a probe read of it, when that is taken away as well.
        var changed = repairCase.Bench.ClimateFrom(startedAt).Spans.Select(span => span.From).ToList();
        var taken = events.Where(each => each is { Kind: RunEventKind.Probe, Passed: false }).Select(each => each.At).ToList();
        var changes = air.Spans.Select(span => span.From).Concat(surface.Concat(events.Where(each => each.Kind == RunEventKind.Probe)).Select(each => each.At)).Concat(damp.Select(each => each.At));
        var spans = changes.Distinct().Order().Select(at =>
        {
            var read = surface.LastOrDefault(each => each.At <= at);
            var stands = read is not null && !(read.Resolution is null ? changed : changed.Concat(taken)).Any(end => end > read.At && end <= at);
            return new ClimateSpan(at, stands ? read!.Value!.Value : air.TemperatureCAt(at), damp.Where(each => each.At <= at).Select(each => each.Share).LastOrDefault(1), stands);
        });
        return (surface.Count + damp.Count > 0 ? Climate.Of([.. spans]).Under(air.Sky) : air)
            .Lit([.. Read(events, RunEventKind.Light).Select(each => new LightSpan(each.At, Irradiance(repairCase.Bench, air.Sky, each)))]);
    }

    /// <summary>The instruments that lie at the item and are read by themselves.</summary>
    /// <param name="events">Events that stand, in order.</param>
    public static IReadOnlyList<string> Probes(IReadOnlyList<RunEvent> events) =>
        [.. events.Where(each => each.Kind == RunEventKind.Probe).GroupBy(each => each.Text!).Where(group => group.Last().Passed == true).Select(group => group.Key)];

    /// <summary>Why a reading cannot be taken; null when it can.</summary>
    public static Problem? Refuse(RunEvent next) =>
        next.Kind switch
        {
            RunEventKind.Reading when next.Value is not (>= -10 and <= 45) => Outside("value", $"A bench reading lies from {Celsius(-10)} to {Celsius(45)}."),
            RunEventKind.Surface when next.Value is not (>= -10 and <= 90) => Outside("value", $"The surface of an item that is mended lies from {Celsius(-10)} to {Celsius(90)}."),
            RunEventKind.Humidity when next.Value is not (>= 1 and <= 100) => Outside("value", $"Humidity lies from {Percent(1)} to {Percent(100)}."),
            RunEventKind.Light when (next.Text is null) == (next.Value is null) => new Problem("bad-light", "value", "Light is told in a word, or as a meter reads it.", "Give one of the two."),
            RunEventKind.Light when next.Text is { } word && !Kebab<LightLevel>.TryParse(word, out _) =>
                new Problem("bad-light", "text", $"There is no light called '{word:as-is}'.", $"Use one of: {string.Join(", ", Enum.GetValues<LightLevel>().Select(Kebab<LightLevel>.Id)):as-is}."),
            RunEventKind.Light when next.Value is < 0 or > 2000 || (next.Value is { } value && !double.IsFinite(value)) => Outside("value", $"Ultraviolet lies from {MwPerCm2(0)} to {MwPerCm2(2000)}."),
            RunEventKind.Probe when next.Text is not { Length: >= 1 and <= LongestInstrument } => new Problem("bad-instrument", "text", $"An instrument's name has 1 to {LongestInstrument} characters.", "Pick one of those that are attached."),
            RunEventKind.Probe when next.Passed is null => new Problem("bad-instrument", "passed", "It lies at the item from now on, or no more: neither is said.", "Say which."),
            _ => null,
        };

    /// <summary>Most characters of an instrument's name.</summary>
    public const int LongestInstrument = 40;

    private static Problem Outside(string field, Message what) => new("out-of-range", field, what, "Read it again.");

    /// <summary>
    /// The readings of a kind in order of time, the last of one instant. What a probe said of an item that it was never laid at, because that was
    /// taken back, is not the item's.
    /// </summary>
    private static IReadOnlyList<RunEvent> Read(IReadOnlyList<RunEvent> events, RunEventKind kind) =>
        [.. events.Where(each => each.Kind == kind && (each.Resolution is null || !IsOfProbe(kind) || events.Any(probe => probe is { Kind: RunEventKind.Probe, Passed: true } && probe.Number < each.Number))).GroupBy(each => each.At).Select(group => group.Last()).OrderBy(each => each.At)];

    private static bool IsOfProbe(RunEventKind kind) => kind is RunEventKind.Surface or RunEventKind.Light;

    /// <summary>Water in the air beside what the plan reckoned with.</summary>
    /// <param name="bench">The bench as it was planned with.</param>
    /// <param name="air">The air as it was read since.</param>
    /// <param name="at">When the humidity was read.</param>
    /// <param name="relativeHumidityPercent">What was read, 1 to 100.</param>
    public static double MoistureShare(BenchFacts bench, Climate air, DateTimeOffset at, double relativeHumidityPercent) =>
        MoistureCure.AbsoluteHumidityGPerM3(air.TemperatureCAt(at), relativeHumidityPercent) / MoistureCure.AbsoluteHumidityGPerM3(bench.TemperatureC, bench.RelativeHumidityPercent);

    private static double Irradiance(BenchFacts bench, Sky? sky, RunEvent read) =>
        read.Value ?? Daylight.MwPerCm2(Kebab<LightLevel>.TryParse(read.Text!, out var level) ? level : LightLevel.Indoors, sky?.MwPerCm2At(read.At) ?? Sky.LabelMwPerCm2, bench.LampMwPerCm2);
}
