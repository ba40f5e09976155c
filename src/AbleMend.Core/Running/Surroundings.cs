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
    /// <param name="outAt">When what stands in the warm now is taken out, as far as is known; null for not at all.</param>
    public static Climate AtItem(RepairCase repairCase, DateTimeOffset startedAt, IReadOnlyList<RunEvent> events, DateTimeOffset? outAt = null)
    {
        var warm = Warm(events, outAt);
        var air = Air(repairCase, startedAt, events);
        var surface = Read(events, RunEventKind.Surface);
        var damp = Read(events, RunEventKind.Humidity).Select(each => (each.At, Share: MoistureShare(repairCase.Bench, air, each.At, each.Value!.Value))).ToList();
        // What was read of the surface ends when the heating goes on or off, and when it is carried into the warm or out of it; what a probe read of it, when that is taken away as well.
        var carried = warm.SelectMany(stand => stand.Until is { } until ? (DateTimeOffset[])[stand.From, until] : [stand.From]).ToList();
        var changed = repairCase.Bench.ClimateFrom(startedAt).Spans.Select(span => span.From).Concat(carried).ToList();
        var taken = events.Where(each => each is { Kind: RunEventKind.Probe, Passed: false }).Select(each => each.At).ToList();
        var changes = air.Spans.Select(span => span.From).Concat(surface.Concat(events.Where(each => each.Kind == RunEventKind.Probe)).Select(each => each.At)).Concat(damp.Select(each => each.At)).Concat(carried);
        var spans = changes.Distinct().Order().Select(at =>
        {
            var read = surface.LastOrDefault(each => each.At <= at);
            var stands = read is not null && !(read.Resolution is null ? changed : changed.Concat(taken)).Any(end => end > read.At && end <= at);
            var stand = warm.FirstOrDefault(each => each.From <= at && !(each.Until <= at));
            return new ClimateSpan(at, stands ? read!.Value!.Value : stand?.TemperatureC ?? air.TemperatureCAt(at), damp.Where(each => each.At <= at).Select(each => each.Share).LastOrDefault(1), stands, stand is not null);
        });
        return (surface.Count + damp.Count + warm.Count > 0 ? Climate.Of([.. spans]).Under(air.Sky) : air)
            .Lit([.. Read(events, RunEventKind.Light).Select(each => new LightSpan(each.At, Irradiance(repairCase.Bench, air.Sky, each)))]);
    }

    /// <summary>When an item stood in the warm.</summary>
    /// <param name="From">Since when.</param>
    /// <param name="Until">Until when; null for still.</param>
    /// <param name="TemperatureC">How warm, in °C.</param>
    internal sealed record WarmSpell(DateTimeOffset From, DateTimeOffset? Until, double TemperatureC);

    /// <summary>When an item stood in the warm: until it was taken out, or hands were on it again.</summary>
    /// <param name="events">Events that stand, in order.</param>
    /// <param name="outAt">When it is taken out where it stands there still, or null.</param>
    internal static IReadOnlyList<WarmSpell> Warm(IReadOnlyList<RunEvent> events, DateTimeOffset? outAt = null)
    {
        var (spells, open) = (new List<WarmSpell>(), (RunEvent?)null);
        foreach (var each in events.Where(each => each.Kind is RunEventKind.Warm or RunEventKind.Begin or RunEventKind.HandsDone or RunEventKind.Proof).OrderBy(each => each.At))
        {
            if (open is not null)
            {
                spells.Add(new WarmSpell(open.At, each.At, open.Value!.Value));
            }

            open = each is { Kind: RunEventKind.Warm, Passed: true } ? each : null;
        }

        return [.. spells.Where(spell => spell.Until > spell.From), .. open is null ? (WarmSpell[])[] : [new WarmSpell(open.At, outAt > open.At ? outAt : null, open.Value!.Value)]];
    }

    /// <summary>The instruments that lie at the item and are read by themselves.</summary>
    /// <param name="events">Events that stand, in order.</param>
    public static IReadOnlyList<string> Probes(IReadOnlyList<RunEvent> events) =>
        [.. events.Where(each => each.Kind == RunEventKind.Probe).GroupBy(each => each.Text!).Where(group => group.Last().Passed == true).Select(group => group.Key)];

    /// <summary>Why an item cannot be put into the warm, or taken out of it; null when it can.</summary>
    internal static Problem? RefuseWarm(RunState state, RunEvent next) =>
        next switch
        {
            { Passed: null } => new Problem("bad-warmth", "passed", "It stands in the warm from now on, or no more: neither is said.", "Say which."),
            { Passed: false, Value: not null } => new Problem("bad-warmth", "value", "Out of the warm it is as warm as the bench.", "Leave the temperature out."),
            { Passed: false } when state.Warm?.StandsAtC is null => new Problem("not-now", "kind", "It does not stand in the warm.", "Reload the mend: it may have gone on in another window."),
            { Passed: false } => null,
            { Value: not (>= 25 and <= 60) } => Outside("value", $"A warm box or corner has from {Celsius(25)} to {Celsius(60)}."),
            _ when state.Warm?.Because is null => new Problem("not-now", "kind", "Nothing waits now that is over sooner in the warm.", "Leave it at the bench."),
            _ when !(state.Warm!.UpToC >= next.Value) => new Problem("too-warm", "value", state.Warm.Because!, "Leave it at the bench, or stand it where it is less warm."),
            _ => null,
        };

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
    internal static IReadOnlyList<RunEvent> Read(IReadOnlyList<RunEvent> events, RunEventKind kind) =>
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
