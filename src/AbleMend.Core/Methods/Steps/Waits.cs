using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Waits for what sets, from its label.</summary>
internal static class Waits
{
    private const double NotInThisLight = 1e9;

    /// <summary>Air so dry that what moisture sets hardly does. From memory.</summary>
    private const double DryAirPercent = 30;

    /// <summary>A clock that goes by the wall and by nothing else.</summary>
    public static CureClock WallClock { get; } = new(20, 0, -50);

    /// <summary>Until the next coat may go on; closes when a key is needed again.</summary>
    public static StepWait Recoat(this Job job, LabelOf resin, string? from) =>
        job.Of(resin, WaitKind.Recoat, from, resin.Recoat, label => label.RecoatClosesMin,
            "Press a gloved fingertip beside it: firm, and no print?", "Past the window: key it until it is dull, and wipe it before the next coat.");

    /// <summary>Until it sands to dust.</summary>
    public static StepWait Sandable(this Job job, LabelOf resin, string? from)
    {
        Message nail = "Press a fingernail into the drip beside it: no dent?";
        Message stroke = "Press a fingernail into the drip beside it: no dent? One dry stroke: dust, no clogging?";
        return job.Of(resin, WaitKind.Sandable, from, resin.Sandable, _ => null, resin.Material.Role == Role.Resin ? stroke : nail, null);
    }

    /// <summary>Until it may get wet and be loaded.</summary>
    public static StepWait Loadable(this Job job, LabelOf resin, string? from) =>
        job.Of(resin, WaitKind.Loadable, from, resin.Loadable, _ => null, ReadyCheck(resin.Material), null);

    /// <summary>Until a coat of cement is dry to the touch; closes when it no longer grips.</summary>
    public static StepWait Tack(this Job job, LabelOf cement, string? from) =>
        job.Of(cement, WaitKind.Tack, from, cement.Tack, label => label.TackClosesMin,
            "Touch it with a bare knuckle: dry, and nothing comes away?", "It no longer grips: lay one more thin coat on both faces.");

    /// <summary>Until clamps, bands or plates may come off.</summary>
    public static StepWait Hold(this Job job, LabelOf material, string? from) =>
        job.Of(material, WaitKind.Hold, from, SetsOnly(material.Material) ? material.Sandable : material.Handleable, _ => null, "Is what squeezed out hard to a fingernail?", null);

    /// <summary>Until it has set: it holds its shape, and bears nothing yet.</summary>
    public static StepWait Set(this Job job, LabelOf material, string? from) =>
        job.Of(material, WaitKind.Hold, from, material.Handleable, _ => null, "Has it set: does a stick leave no mark?", null);

    /// <summary>Whether it has merely set when it may be handled: an epoxy keeps its clamps until it sands.</summary>
    private static bool SetsOnly(Material material) => material.Cure is CureKind.TwoPart or CureKind.Catalysed && material.Role != Role.Cement;

    /// <summary>Until it has cooled.</summary>
    public static StepWait Cooled(this Job job, LabelOf material) =>
        job.Of(material, WaitKind.Cool, null, material.Sandable, _ => null, "Is it as cool as the item beside it, to the back of the hand?", null);

    /// <summary>Until it may be loaded, for a depth that moisture has to reach; only what moisture sets looks at the depth.</summary>
    /// <param name="job">The job.</param>
    /// <param name="material">What sets.</param>
    /// <param name="from">Step from whose start it counts, or null.</param>
    /// <param name="depth">Depth from one side.</param>
    public static StepWait LoadableThrough(this Job job, LabelOf material, string? from, Figure<Length> depth)
    {
        var wait = job.Loadable(material, from);
        if (material.Material is not { Cure: CureKind.Moisture, LabelFilmMm: not null })
        {
            return wait;
        }

        var through = job.Figures.Work($"{depth.Id}.through", "Cures through in", () => CureMin(
                material.Loadable.CureMin * MoistureCure.Factor(Math.Max(depth.Mm, 0.01), material.Film.Mm, job.Bench.C, job.Humidity.Percent)),
            "Label's time × (depth ÷ label's film)² × humidity of the label's air ÷ this air", MoistureCure.Source, wouldChange: () => "Damper or warmer air.");
        if (job.WantsWords && job.Humidity.Percent < DryAirPercent && job.Warnings.All(warning => warning.Code != "dry-air"))
        {
            job.Warnings.Add(new Warning("dry-air", $"{material.Material.Name} is set by the water in the air, and at {job.Humidity} there is little: it takes {through}. Damp the air round it, or lay a wet cloth beside it, never on it.", null));
        }

        return wait with { OpensMin = through.Value, Clock = wait.Clock with { ByMoisture = true }, RecheckMin = Math.Clamp(through.CureMin / 10, 2, 240), Because = through.Id };
    }

    /// <summary>A wait by the wall clock.</summary>
    /// <param name="kind">What is waited for.</param>
    /// <param name="time">How long.</param>
    /// <param name="check">What to look at before going on.</param>
    /// <param name="recheckMin">Minutes until the next look.</param>
    public static StepWait ByTheClock(WaitKind kind, Figure<WallTime> time, Message check, double recheckMin) =>
        new(kind, CureMin(time.WallMin), null, null, WallClock, check, recheckMin, Because: time.Id);

    /// <summary>A wait for solvent to leave, some minutes from now.</summary>
    /// <param name="job">The job.</param>
    /// <param name="time">How long at this bench.</param>
    /// <param name="stand">How long the face may stand open.</param>
    /// <param name="check">What to look at before going on.</param>
    /// <param name="whenLate">What to do when it stood open too long.</param>
    /// <param name="activationKjPerMol">Heat of evaporation.</param>
    public static StepWait Flash(this Job job, Figure<WallTime> time, Figure<WallTime> stand, Message check, Message whenLate, double activationKjPerMol) =>
        new(WaitKind.Flash, CureMin(Math.Max(0.5, time.WallMin)), CureMin(stand.WallMin), null, new CureClock(job.Bench.C, activationKjPerMol, -30), check, 2, whenLate, time.Id);

    /// <summary>Minutes of this light for some minutes of a light-cured label.</summary>
    /// <param name="job">The job.</param>
    /// <param name="resin">What sets.</param>
    /// <param name="time">The label's minutes in full daylight.</param>
    public static Figure<CureTime> LightTime(this Job job, LabelOf resin, Figure<CureTime> time) =>
        job.Figures.Find($"{time.Id}.light") as Figure<CureTime>
        ?? job.Figures.Work($"{time.Id}.light", "In this light", () => CureMin(LightMin(job, resin, time.CureMin)), "Label's minutes in full daylight × factor of the light", Daylight.Source);

    /// <summary>Minutes in the light for some minutes of full daylight: by the sun of the hour at which the next step comes where the shop's place is known, as they are elsewhere.</summary>
    /// <param name="job">The job.</param>
    /// <param name="label">What it is.</param>
    /// <param name="daylight">Minutes of full daylight.</param>
    public static Figure<WallTime> InTheLight(this Job job, Message label, Figure<CureTime> daylight)
    {
        const string WouldChange = "Sun, cloud, shade or a lamp.";
        var view = job.View;
        if (!BySun(job, job.Main) || view.Climate.Sky is not { } sky)
        {
            return job.Figure("light.minutes", label, () => WallMin(daylight.CureMin / job.Pace(job.Main)), "As long as that light takes here", Daylight.Source, wouldChange: () => WouldChange);
        }

        var hands = job.HandsNext();
        var zenith = job.Figures.Work("sun.zenith", "Sun then, from straight up", () =>
            {
                job.ReadTimes();
                return Degrees(Sun.At(hands, sky.LatitudeDeg, sky.LongitudeDeg).ZenithDeg);
            },
            "Day, hour and place, when hands come to it", Sun.Source, 1);
        var ultraviolet = job.Figures.Work("sun.ultraviolet", "Clear-sky ultraviolet then", () => MwPerCm2(Sun.ClearSkyMwPerCm2(zenith.Deg)), "Clear sky at the sun's height", Sun.Source, 2);
        return job.Figure("light.minutes", label, () =>
            {
                _ = ultraviolet.Value;
                return WallMin((sky.TryFindDosed(daylight.CureMin / job.Pace(job.Main), hands) - hands)?.TotalMinutes ?? daylight.CureMin);
            },
            "By the sun, hour by hour, from when hands are there: dose = ∫ irradiance dt", Daylight.Source,
            wouldChange: () => sky.ShareAt(hands) > 0 ? WouldChange : "The sun is down then: a lamp does not wait for it.");
    }

    /// <summary>A wait for the light of several layers: each of them was in the light before, so that a finger says nothing of how much the last one took.</summary>
    /// <param name="wait">The wait.</param>
    /// <param name="layers">Layers that it is reckoned for, at least 1.</param>
    public static StepWait OfLayers(this StepWait wait, double layers) => layers > 1 ? wait with { Material = null } : wait;

    private static Message ReadyCheck(Material material) =>
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

    private static StepWait Of(
        this Job job, LabelOf resin, WaitKind kind, string? from, Figure<CureTime> opens, Func<CureLabel, double?> closes, Message check, Message? whenLate)
    {
        var material = resin.Material;
        var light = material.Cure == CureKind.Light;
        // Light counts from when it is carried into it, not from the mixing in the shade.
        var counted = light && from?.EndsWith("-mix", StringComparison.Ordinal) == true ? null : from;
        var time = light ? job.LightTime(resin, opens) : opens;
        // Recheck after a tenth of the wait, but not sooner than two minutes: looking costs a glove.
        return new StepWait(
            light && kind != WaitKind.Loadable ? WaitKind.Light : kind, time.Value, closes(material.Label!) is { } minutes ? CureMin(minutes) : null, counted,
            CureClock.For(material) with { BySun = BySun(job, material), LightFactor = light && !Catalysed(job, material) ? LightMin(job, resin, 1) : null }, check, Math.Clamp(time.CureMin / 10, 2, 120), whenLate, time.Id,
            TouchTells(job, material) ? material.Id : null, WarmCorner.LimitOf(job, material, kind)).At(job.Pace(material));
    }

    /// <summary>Whether a finger tells how fast it sets: what cools goes by the air, and of what light and a catalyst set together nobody knows which of them did.</summary>
    private static bool TouchTells(Job job, Material material) =>
        material.Cure is CureKind.TwoPart or CureKind.Catalysed or CureKind.Solvent or CureKind.Moisture || (material.Cure == CureKind.Light && !Catalysed(job, material));

    private static double LightMin(Job job, LabelOf resin, double labelMin) =>
        Daylight.Minutes(labelMin, job.View.Case.Bench.Light, Catalysed(job, resin.Material), job.View.Case.Bench.LampMwPerCm2) ?? NotInThisLight;

    private static bool Catalysed(Job job, Material resin) => resin.Catalyst is not null && job.View.School("uv-resin") == "light-and-catalyst";

    /// <summary>Whether the sun sets the pace: a lamp does not wait for it, and a catalyst goes on without it.</summary>
    private static bool BySun(Job job, Material resin) =>
        resin.Cure == CureKind.Light && job.View.Case.Bench.Light is LightLevel.FullSun or LightLevel.HazySun or LightLevel.OpenShade && !Catalysed(job, resin);
}
