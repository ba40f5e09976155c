using AbleMend.Core.Curing;
using AbleMend.Core.Materials;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Waits for a resin, from its label.</summary>
internal static class Waits
{
    private const double NotInThisLight = 1e9;

    /// <summary>Until the next coat may go on; closes when a key is needed again.</summary>
    public static StepWait Recoat(CaseView view, Material resin, string? from) =>
        Of(view, resin, WaitKind.Recoat, from, label => label.RecoatOpensMin, label => label.RecoatClosesMin,
            "Press a gloved fingertip beside it: firm, and no print?", "Past the window: key it with P150 and wipe it before the next coat.");

    /// <summary>Until it sands to dust.</summary>
    public static StepWait Sandable(CaseView view, Material resin, string? from) =>
        Of(view, resin, WaitKind.Sandable, from, label => label.SandableMin, _ => null,
            "Press a fingernail into the drip beside it: no dent? One stroke of P150: dust, no clogging?", null);

    /// <summary>Until it may get wet and be loaded.</summary>
    public static StepWait Loadable(CaseView view, Material resin, string? from) =>
        Of(view, resin, WaitKind.Loadable, from, label => label.LoadableMin, _ => null,
            "Does the leftover in the cup ring when it is knocked?", null);

    private static StepWait Of(
        CaseView view, Material resin, WaitKind kind, string? from,
        Func<CureLabel, double> opens, Func<CureLabel, double?> closes, string check, string? whenLate)
    {
        var label = resin.Label!;
        var light = resin.Cure == CureKind.Light;
        // Light counts from when it is carried into it, not from the mixing in the shade.
        var counted = light && from?.EndsWith("-mix", StringComparison.Ordinal) == true ? null : from;
        var opensMin = light ? LightMin(view, resin, opens(label)) : opens(label);
        // Recheck after a tenth of the wait, but not sooner than two minutes: looking costs a glove.
        return new StepWait(light && kind != WaitKind.Loadable ? WaitKind.Light : kind, opensMin, closes(label), counted, CureClock.For(resin), check,
            Math.Clamp(opensMin / 10, 2, 120), whenLate);
    }

    private static double LightMin(CaseView view, Material resin, double labelMin)
    {
        var school = resin.Catalyst is null ? UvSchool.LightOnly : view.Case.Choice?.UvSchool ?? UvSchool.LightOnly;
        return Daylight.Minutes(labelMin, view.Case.Bench.Light, school) ?? NotInThisLight;
    }
}
