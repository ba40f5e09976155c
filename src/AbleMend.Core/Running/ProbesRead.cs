using AbleMend.Core.Instruments;

namespace AbleMend.Core.Running;

/// <summary>What an instrument reads now.</summary>
/// <param name="Value">How much, in the unit of what is measured.</param>
/// <param name="Step">Smallest step of its display.</param>
/// <param name="At">When it read that.</param>
public sealed record ReadNow(double Value, double Step, DateTimeOffset At);

/// <summary>What of all that instruments read is kept with a mend: what moves its windows, and not every tenth of a degree of a night.</summary>
public static class ProbesRead
{
    /// <summary>What is warmer or colder by so much than a mend reckons with is told to it, in K: a tenth of a cure's pace.</summary>
    public const double WorthKeepingK = 1;

    /// <summary>Light and moisture that differ by such a share from what a mend reckons with are told to it.</summary>
    public const double WorthKeepingShare = 0.15;

    /// <summary>Light below this tells nothing from none, in mW/cm².</summary>
    private const double DarkMwPerCm2 = 0.05;

    /// <summary>What a probe may show of the bench's air; what shows more lies in the sun or on a radiator.</summary>
    private static readonly (double Least, double Most) BelievedAirC = (-10, 45);

    /// <summary>What is to be kept with a running mend now.</summary>
    /// <param name="mend">The mend, running.</param>
    /// <param name="read">What an instrument reads of something; the instrument is null for whichever reads it at the bench. Null where nothing reads it.</param>
    /// <param name="now">The present.</param>
    public static IReadOnlyList<Happening> Of(Mend mend, Func<string?, Measurand, ReadNow?> read, DateTimeOffset now)
    {
        var state = mend.StateAt(now);
        var probes = state.Probes ?? [];
        return
        [
            .. Air(mend, read(null, Measurand.AirTemperature), now),
            .. Humidity(mend, state, read(null, Measurand.Humidity), now),
            .. probes.SelectMany(probe => Surface(mend, read(probe, Measurand.SurfaceTemperature), now)).Take(1),
            .. probes.Where(probe => !IsToldSince(mend, probe)).SelectMany(probe => Light(state, read(probe, Measurand.Ultraviolet), now)).Take(1),
        ];
    }

    private static IEnumerable<Happening> Air(Mend mend, ReadNow? read, DateTimeOffset now) =>
        read is { Value: var celsius } && celsius >= BelievedAirC.Least && celsius <= BelievedAirC.Most && Math.Abs(mend.Air.TemperatureCAt(now) - celsius) >= WorthKeepingK
            ? [Told(RunEventKind.Reading, read, now)]
            : [];

    private static IEnumerable<Happening> Surface(Mend mend, ReadNow? read, DateTimeOffset now) =>
        read is { Value: >= -10 and <= 90 and var celsius } && mend.Climate.At(now) is var reckoned && (!reckoned.IsSurface || Math.Abs(reckoned.TemperatureC - celsius) >= WorthKeepingK)
            ? [Told(RunEventKind.Surface, read, now)]
            : [];

    /// <summary>Only a mend that waits, or will, for what moisture sets is told of it.</summary>
    private static IEnumerable<Happening> Humidity(Mend mend, RunState state, ReadNow? read, DateTimeOffset now)
    {
        var open = state.Steps.Where(step => step.Phase != StepPhase.Done).Select(step => step.StepId).ToHashSet();
        if (read is not { Value: >= 1 and <= 100 } || !mend.Plan!.Steps.Any(step => step.Timing.Wait?.Clock.ByMoisture == true && open.Contains(step.Id)))
        {
            return [];
        }

        var share = Surroundings.MoistureShare(mend.Case.Bench, mend.Air, now, read.Value);
        return Math.Abs((share / mend.Climate.At(now).MoistureShare) - 1) >= WorthKeepingShare ? [Told(RunEventKind.Humidity, read, now)] : [];
    }

    private static IEnumerable<Happening> Light(RunState state, ReadNow? read, DateTimeOffset now) =>
        read is { Value: >= 0 and <= 2000 and var irradiance } && state.Fronts.Select(front => front.Window?.Light).OfType<LightStand>().Any(light => IsOther(light, irradiance))
            ? [Told(RunEventKind.Light, read, now)]
            : [];

    /// <summary>Whether a hand has told the light since a meter was laid there: who carries an item in does not carry the meter.</summary>
    private static bool IsToldSince(Mend mend, string probe)
    {
        var kept = Run.Standing(mend.Events);
        var laid = kept.Last(each => each.Kind == RunEventKind.Probe && each.Text == probe).Number;
        return kept.Any(each => each is { Kind: RunEventKind.Light, Resolution: null } && each.Number > laid);
    }

    private static bool IsOther(LightStand light, double irradiance) =>
        light.ReadAt is null || Math.Abs(light.NowMwPerCm2 - irradiance) > Math.Max(DarkMwPerCm2, WorthKeepingShare * Math.Max(light.NowMwPerCm2, irradiance));

    private static Happening Told(RunEventKind kind, ReadNow read, DateTimeOffset now) => new(kind, Value: read.Value, At: read.At < now ? read.At : null, Resolution: read.Step);
}
