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
        Of(view, resin, WaitKind.Recoat, from, label => label.RecoatOpensMin ?? label.LoadableMin, label => label.RecoatClosesMin,
            "Press a gloved fingertip beside it: firm, and no print?", "Past the window: key it with P150 and wipe it before the next coat.");

    /// <summary>Until it sands to dust.</summary>
    public static StepWait Sandable(CaseView view, Material resin, string? from) =>
        Of(view, resin, WaitKind.Sandable, from, label => label.SandableMin ?? label.LoadableMin, _ => null,
            resin.Role == Role.Resin ? "Press a fingernail into the drip beside it: no dent? One stroke of P150: dust, no clogging?" : "Press a fingernail into the drip beside it: no dent?", null);

    /// <summary>Until it may get wet and be loaded.</summary>
    public static StepWait Loadable(CaseView view, Material resin, string? from) =>
        Of(view, resin, WaitKind.Loadable, from, label => label.LoadableMin, _ => null,
            ReadyCheck(resin), null);

    private static string ReadyCheck(Material material) =>
        material.Cure switch
        {
            CureKind.Cooling => "Is it cold right through, to the back of the hand?",
            CureKind.Solvent when material.Role != Role.Cement => "Is what was left beside it hard to a fingernail?",
            CureKind.Solvent => "Does the rim hold against a thumbnail, with no smell of solvent left?",
            CureKind.Moisture when material.Role == Role.Wrap => "Does it knock hard, all the way round?",
            CureKind.Moisture when material.Role == Role.Adhesive => "Is what squeezed out hard to a fingernail?",
            CureKind.Moisture => "Is the bead beside it firm right through when it is cut?",
            CureKind.AtOnce => "Does it sit tight, all the way round?",
            CureKind.TwoPart when material.Role == Role.Cement => "Does the rim hold against a thumbnail?",
            _ => "Does the leftover in the cup ring when it is knocked?",
        };

    /// <summary>Until a coat of cement is dry to the touch; closes when it no longer grips.</summary>
    public static StepWait Tack(CaseView view, Material cement, string? from) =>
        Of(view, cement, WaitKind.Tack, from, label => label.TackOpensMin ?? label.LoadableMin, label => label.TackClosesMin,
            "Touch it with a bare knuckle: dry, and nothing comes away?", "It no longer grips: lay one more thin coat on both faces.");

    /// <summary>Until clamps, bands or plates may come off.</summary>
    /// <param name="view">The case.</param>
    /// <param name="material">What sets.</param>
    /// <param name="from">Step from whose start it counts, or null.</param>
    /// <param name="depthMm">Depth that moisture has to reach in millimetres; only what moisture sets looks at it.</param>
    public static StepWait Hold(CaseView view, Material material, string? from, double depthMm = 0.1) =>
        Deep(view, material, Of(view, material, WaitKind.Hold, from, label => label.HandleableMin ?? label.LoadableMin, _ => null,
            "Is what squeezed out hard to a fingernail?", null), depthMm);

    /// <summary>Until it may be loaded, for a depth that moisture has to reach.</summary>
    public static StepWait LoadableThrough(CaseView view, Material material, string? from, double depthMm) =>
        Deep(view, material, Loadable(view, material, from), depthMm);

    /// <summary>Until it has cooled.</summary>
    public static StepWait Cooled(CaseView view, Material material) =>
        Of(view, material, WaitKind.Cool, null, label => label.SandableMin ?? label.LoadableMin, _ => null,
            "Is it as cool as the item beside it, to the back of the hand?", null);

    private static StepWait Deep(CaseView view, Material material, StepWait wait, double depthMm)
    {
        if (material is not { Cure: CureKind.Moisture, LabelFilmMm: { } film })
        {
            return wait;
        }

        var bench = view.Case.Bench;
        var factor = MoistureCure.Factor(Math.Max(depthMm, 0.01), film, bench.TemperatureC, bench.RelativeHumidityPercent);
        return wait with { OpensMin = wait.OpensMin * factor, RecheckMin = Math.Clamp(wait.OpensMin * factor / 10, 2, 240) };
    }

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
        return new StepWait(light && kind != WaitKind.Loadable ? WaitKind.Light : kind, opensMin, closes(label), counted, CureClock.For(resin) with { BySun = BySun(view, resin) }, check,
            Math.Clamp(opensMin / 10, 2, 120), whenLate);
    }

    private static double LightMin(CaseView view, Material resin, double labelMin) =>
        Daylight.Minutes(labelMin, view.Case.Bench.Light, Catalysed(view, resin), view.Case.Bench.LampMwPerCm2) ?? NotInThisLight;

    private static bool Catalysed(CaseView view, Material resin) => resin.Catalyst is not null && view.School("uv-resin") == "light-and-catalyst";

    /// <summary>Whether the sun sets the pace: a lamp does not wait for it, and a catalyst goes on without it.</summary>
    private static bool BySun(CaseView view, Material resin) =>
        resin.Cure == CureKind.Light && view.Case.Bench.Light is LightLevel.FullSun or LightLevel.HazySun or LightLevel.OpenShade && !Catalysed(view, resin);

    /// <summary>Minutes in the light for some minutes of full daylight, as a figure: by the sun of the hour where the shop's place is known, as they are elsewhere.</summary>
    /// <param name="view">The case.</param>
    /// <param name="resin">What sets.</param>
    /// <param name="daylightMin">Minutes of full daylight.</param>
    /// <param name="rule">How those were worked out.</param>
    /// <param name="source">Whence.</param>
    /// <param name="from">From what.</param>
    public static Worked LightMinutes(CaseView view, Material resin, double daylightMin, string rule, Source source, params Input[] from)
    {
        const string WouldChange = "Sun, cloud, shade or a lamp.";
        if (!BySun(view, resin) || view.Climate.Sky is not { } sky)
        {
            return new Worked(daylightMin, "min", new Derivation(rule, source, from, WouldChange));
        }

        var hands = view.Hours.FirstFit(view.StartAt, TimeSpan.Zero);
        var minutes = (sky.TryFindDosed(daylightMin, hands) - hands)?.TotalMinutes ?? daylightMin;
        return new Worked(minutes, "min", new Derivation(
            $"{rule}; then by the sun, hour by hour, from when hands are there: dose = ∫ irradiance dt", source,
            [
                .. from, new("Full daylight", daylightMin, "min"), new("Sun then, from straight up", Sun.At(hands, sky.LatitudeDeg, sky.LongitudeDeg).ZenithDeg, "°"),
                new("Clear-sky ultraviolet then", sky.MwPerCm2At(hands), "mW/cm²"), new("Of full daylight", sky.ShareAt(hands) * 100, "%"),
            ],
            sky.ShareAt(hands) > 0 ? WouldChange : "The sun is down then: a lamp does not wait for it."));
    }
}
