using AbleMend.Core.Curing;
using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;
using AbleMend.Core.Preparing;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Steps that make ready: look, dry, cut away, mask, key, clean.</summary>
internal static class Ground
{
    /// <summary>Coarse grit that opens a skin down to the weave. Common practice.</summary>
    public const string KeyGrit = "P60";

    /// <summary>How far the keyed area reaches past the largest patch, in millimetres. From memory.</summary>
    public const double KeyBeyondMm = 10;

    /// <summary>How long a cleaned face may stand open before it is wiped again, in minutes at 20 °C. From memory.</summary>
    public const double OpenFaceMin = 60;

    private static readonly CureClock WallClock = new(20, 0, -50);

    /// <summary>How far past the damage loose skin is cut away, in millimetres. Common practice: back to sound skin.</summary>
    public static double CutMarginMm(DamageKind kind) => kind == DamageKind.Ding ? 2 : 3;

    /// <summary>The outline that is cut away, as a figure and a shape.</summary>
    public static Outline CutOutline(MethodInputs inputs)
    {
        var kind = inputs.View.Case.Damage.Kind;
        var margin = inputs.Sheet.Put("cut.margin", "Cut back past the damage", new Worked(CutMarginMm(kind), "mm",
            new Derivation("Loose and overhanging skin is cut back to sound skin, every corner round", Source.CommonPractice, [],
                "A soft rim or a dull tap beyond it: cut on until it is sound.")), 0);
        return inputs.View.Outline.Grown(margin);
    }

    /// <summary>Dries a wet item by weight.</summary>
    public static PlanStep Dry() =>
        new("dry", Stage.Prepare, "Open it and dry it",
            "Cut a small opening at the lowest point, stand it there to drain, then lay it in warm moving air. Weigh it at the same hour every day and write the weight down. It is dry when two daily weights agree.",
            [], [], "Weigh it before it starts: the first weight is the one that is always missing.",
            new StepTiming("dry", 15, false, new StepWait(WaitKind.Dry, 48 * 60, null, null, WallClock,
                "Do the last two daily weights agree?", 24 * 60)),
            null, []);

    /// <summary>Rocks the fin and compares its cant with its twin.</summary>
    public static PlanStep FinRock() =>
        new("fin-rock", Stage.Prepare, "Put a fin in and rock it",
            "Set a fin, rock it by hand and watch the cracks. Compare its cant with its twin. If the cant has changed, stop: the box is reset, not glassed round.",
            [], [], "Look along the board from the tail: both fins together.",
            new StepTiming("fin-rock", 3, false, null), null, []);

    /// <summary>Cuts away what is loose.</summary>
    public static PlanStep CutAway(bool foamOpen) =>
        new("cut", Stage.Shape, "Cut away what is loose",
            foamOpen
                ? "Trace the outline, cut the broken skin out with round corners and pick loose foam back to solid. Press round the rim: what gives is cut away too."
                : "Pick off what is loose and sand the shattered rim back to sound skin, every corner round.",
            ["cut.margin"], ["blades", "glass-dust"], "Tap round it: one find does not exclude another.",
            new StepTiming("cut", 8, false, null), null, ["cut"]);

    /// <summary>Masks the work.</summary>
    public static PlanStep Mask(CaseView view) =>
        new("mask", Stage.Prepare, view.Location.FinBox ? "Tape the outline, the rail and the box" : "Tape the outline",
            (view.Location.FinBox
                ? "Close the fin box with tape so that no resin runs in. Tape the rail with a fold that stands off as a drip edge. "
                : view.Location.Flat ? "" : "Tape the lower edge with a fold that stands off, so that drips fall clear. ")
            + "Tape round the keyed outline.",
            ["key.area"], [], view.Location.FinBox ? "Tape over the box." : "Mask before the resin is mixed, not after.",
            new StepTiming("mask", 5, false, null), null, ["tape"]);

    /// <summary>Keys the ground with coarse grit.</summary>
    /// <param name="inputs">Case, materials and sheet.</param>
    /// <param name="key">What is keyed.</param>
    /// <param name="minutes">Hands-on minutes.</param>
    /// <param name="rule">How that outline came about.</param>
    /// <param name="from">The margins that it was made from.</param>
    public static PlanStep Key(MethodInputs inputs, Outline key, double minutes, string rule, params Input[] from)
    {
        var timing = new StepTiming("key", minutes, false, null);
        if (inputs.Sheet.TimingOnly)
        {
            return PlanStep.Timed(Stage.Prepare, timing);
        }

        var grit = NearestGrit(inputs.View.Drawer, KeyGrit);
        inputs.Sheet.Put("key.grit", "Grit to key", new Worked(grit.Grade, grit.Scale == GritScale.P ? "P" : "CAMI",
            new Derivation("P60 on a hard pad, down to the weave, so that the resin has a key; the nearest grit in the drawer",
                Source.CommonPractice, [new("Median particle", grit.MedianUm, "µm")])));
        inputs.Sheet.Put("key.area", "Area to key", new Worked(key.AreaMm2 / 100, "cm²",
            new Derivation(rule, Source.Arithmetic, from)));
        return new PlanStep("key", Stage.Prepare, $"Key it with {grit.Label}",
            $"Hard pad, {grit.Label}, down to the weave over the whole outline and not past it. No shine may be left. Blow and brush it clean.",
            ["key.grit", "key.area"], ["glass-dust"], "Scuff the rim as well as the middle: the edge is what lifts.",
            timing, null, ["key"]);
    }

    /// <summary>Wipes with a cleaner that harms no layer, lets it flash, and checks the dew point.</summary>
    public static PlanStep Clean(MethodInputs inputs)
    {
        var view = inputs.View;
        var cleaner = inputs.Materials.Cleaner;
        if (inputs.Sheet.TimingOnly)
        {
            return PlanStep.Timed(Stage.Prepare, new StepTiming("clean", 3, false, Flashing(cleaner)));
        }

        var clock = EvaporationOf(cleaner);
        var bench = view.Case.Bench;
        var flash = inputs.Sheet.Put("clean.flash", "Flash time", new Worked(cleaner.FlashMin!.Value / clock.RateAt(bench.TemperatureC), "min",
            new Derivation("Label's flash time, scaled with vapour pressure (Clausius and Clapeyron) to the bench",
                Source.FromMemory("Flash time and heat of evaporation of the cleaner"),
                [new("At 20 °C", cleaner.FlashMin.Value, "min"), new("Bench", bench.TemperatureC, "°C"), new("Heat of evaporation", clock.ActivationKjPerMol, "kJ/mol")])), 1);
        inputs.Sheet.Put("clean.dew-point", "Dew point", DewPoint.Work(bench.TemperatureC, bench.RelativeHumidityPercent), 1);
        var fumes = Fumes.Put(inputs, "clean", cleaner, Fumes.ClothG);
        return new PlanStep("clean", Stage.Prepare, $"Wipe with {StepText.InSentence(cleaner.Name)}, let it flash",
            "White lint-free cloth, one way, new side each stroke, only where it is to hold. Let it leave by itself. Never touch it again before gluing.",
            ["clean.flash", "clean.dew-point", .. fumes], cleaner.Hazards, "From here on nothing touches it but what is to hold.",
            new StepTiming("clean", 3, false, Flashing(cleaner) with { OpensMin = flash * clock.RateAt(bench.TemperatureC) }), null, []);
    }

    /// <summary>The wait for a cleaner to leave. It closes: a face that has stood open an hour is wiped again.</summary>
    public static StepWait Flashing(Material cleaner)
    {
        var clock = EvaporationOf(cleaner);
        return new StepWait(WaitKind.Flash, cleaner.FlashMin!.Value, OpenFaceMin, null, clock,
            "Is it dry, with no cold feel to the back of the hand?", 2, "It has stood open too long: wipe it again and let it flash.");
    }

    private static CureClock EvaporationOf(Material cleaner) => new(20, cleaner.ActivationKjPerMol ?? 31, -20);

    /// <summary>The grit in the drawer whose particle is nearest to a wanted one.</summary>
    public static Grit NearestGrit(IReadOnlyList<Grit> drawer, string wanted)
    {
        var target = Grit.TryParse(wanted)!.MedianUm;
        return drawer.MinBy(grit => Math.Abs(Math.Log(grit.MedianUm / target)))!;
    }
}
