using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Preparing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Steps that make ready: dry, cut away, mask, key, clean.</summary>
internal static class Ground
{
    /// <summary>Coarse grit that opens a skin down to the weave. Common practice.</summary>
    public const string KeyGrit = "P60";

    /// <summary>How far the keyed area reaches past the largest patch.</summary>
    public static Figure<Length> KeyBeyond(this Job job) => job.Constant("key.beyond", "Keyed beyond it", Mm(10), Source.FromMemory("How far the keyed area reaches past the largest patch"));

    /// <summary>The outline that is cut away: loose and overhanging skin back to sound skin.</summary>
    public static Field CutAwayField(this Job job)
    {
        var margin = job.Figure("cut.margin", "Cut back past the damage", Mm(job.Damage.Kind == DamageKind.Ding ? 2 : 3),
            "Loose and overhanging skin is cut back to sound skin, every corner round", Source.CommonPractice, 1, () => "A soft rim or a dull tap beyond it: cut on until it is sound.");
        return job.Hurt.Grown("cut", "Cut", margin);
    }

    /// <summary>Rocks the fin and compares its cant with its twin.</summary>
    public static Job RockTheFin(this Job job) =>
        job.Do("fin-rock", Stage.Prepare, "Put a fin in and rock it",
            "Set a fin, rock it by hand and watch the cracks. Compare its cant with its twin. If the cant has changed, stop: the box is reset, not glassed round.",
            3, "Look along the board from the tail: both fins together.");

    /// <summary>Cuts away what is loose.</summary>
    public static Job CutAway(this Job job)
    {
        var lap = job.Figures.Find("inner.lap");
        Message back = lap is null ? Message.Empty : $" Then cut outer skin and sheet foam back {(ITold)lap} further all round, down to the inner skin and not into it.";
        return job.Do("cut", Stage.Shape, "Cut away what is loose",
            job.View.Reach.FoamOpen
                ? (Message)$"Trace the outline, cut the broken skin out with round corners and pick loose foam back to solid. Press round the rim: what gives is cut away too.{back}"
                : "Pick off what is loose and sand the shattered rim back to sound skin, every corner round.",
            8, "Tap round it: finding one spot does not rule out another.", cautions: ["blades", "glass-dust"], draws: ["cut"],
            shows: [.. new[] { job.Figures.Find("cut.margin"), lap }.OfType<IFigure>()]);
    }

    /// <summary>Masks the work.</summary>
    public static Job Mask(this Job job, Field key)
    {
        var location = job.View.Location;
        Message first = location.FinBox ? "Close the fin box with tape so that no resin runs in. Tape the rail with a fold that stands off as a drip edge. "
            : location.Flat ? Message.Empty : "Tape the lower edge with a fold that stands off, so that drips fall clear. ";
        return job.Do("mask", Stage.Prepare, location.FinBox ? "Tape the outline, the rail and the box" : "Tape the outline", $"{first}Tape round the keyed outline.",
            5, location.FinBox ? "Tape over the box." : "Mask before the resin is mixed, not after.", draws: ["tape"], shows: [key.Area]);
    }

    /// <summary>Keys the ground with coarse grit.</summary>
    /// <param name="job">The job.</param>
    /// <param name="key">What is keyed.</param>
    /// <param name="minutes">Minutes by hand.</param>
    public static Job Key(this Job job, Field key, double minutes)
    {
        var grit = new PlannedGrit(job, "key.grit", "Grit to key", KeyGrit, $"{KeyGrit:as-is} on a hard pad, down to the weave, so that the resin has a key; the nearest grit in the drawer");
        return job.Do("key", Stage.Prepare, $"Key it with {grit}",
            $"Hard pad, {grit}, down to the weave over the whole outline and not past it. No shine may be left. Blow and brush it clean.",
            minutes, "Scuff the rim as well as the middle: the edge is what lifts.", cautions: ["glass-dust"], draws: ["key"], shows: [key.Area]);
    }

    /// <summary>Brings the surface far enough above the dew point, where the air is so damp that it is not: nothing is wiped or coated before.</summary>
    public static Job AboveDew(this Job job)
    {
        var dewC = DewPoint.Celsius(job.Bench.C, job.Humidity.Percent);
        if (job.Bench.C >= dewC + DewPoint.MarginK)
        {
            return job;
        }

        var least = job.Figure("clean.least-surface", "Surface at least", () => Celsius(Math.Ceiling((DewPoint.Celsius(job.Bench.C, job.Humidity.Percent) + DewPoint.MarginK) * 2) / 2),
            $"Dew point + {Apart(DewPoint.MarginK)}", DewPoint.Source, 1);
        var warming = job.Constant("clean.warming", "It takes about", WallMin(60), Source.FromMemory("Time to warm an item through in warm moving air, or to dry the air of a room"));
        job.Warnings.Add(new Warning("dew-point", $"The air is so damp that water settles on the work: its surface is brought to {least} first, or the air is dried.", "warm-dew"));
        return job.Do("warm-dew", Stage.Prepare, "Bring it above the dew point", $"Warm the item, not the air, or dry the air: until a thermometer laid on its surface shows {least}. Nothing is wiped or coated before.", 5,
            "Touch is too coarse: lay a thermometer on it.", Waits.ByTheClock(WaitKind.Dry, warming, $"Does a thermometer on the surface show {least}?", 15));
    }

    /// <summary>Wipes with a cleaner that harms no layer, lets it flash, and checks the dew point.</summary>
    public static Job Clean(this Job job)
    {
        job.AboveDew();
        var cleaner = job.Materials.Cleaner;
        var flash = job.FlashTime();
        job.Figure("clean.dew-point", "Dew point", () => Celsius(DewPoint.Celsius(job.Bench.C, job.Humidity.Percent)),
            $"Td = B·γ/(A − γ) with γ = ln(RH) + A·T/(B + T); coat only when the surface is at least {Apart(DewPoint.MarginK)} above it", DewPoint.Source, 1,
            () => $"Coating stays allowed up to {Percent(DewPoint.HighestHumidityPercent(job.Bench.C))} of humidity at this temperature.");
        Fumes.Put(job, "clean", cleaner, job.Constant("clean.on-cloth", "Cleaner on the cloth", Grams(Fumes.ClothG), Source.FromMemory("Cleaner on a well-wetted cloth")));
        return job.Do("clean", Stage.Prepare, $"Wipe with {cleaner.Name:inside}, let it flash",
            "White lint-free cloth, one way, new side each stroke, only where it is to hold. Let it leave by itself. Never touch it again before gluing.",
            3, "From here on nothing touches it but what is to hold.", job.Flashing(flash), cleaner.Hazards);
    }

    /// <summary>How long the cleaner takes to leave an open face here.</summary>
    public static Figure<WallTime> FlashTime(this Job job)
    {
        var label = job.LabelOf(job.Materials.Cleaner);
        var heat = label.Says("evaporation", "Heat of evaporation", KjPerMol(Evaporation(job.Materials.Cleaner)));
        return job.Figure("clean.flash", "Flash time", () => WallMin(label.Flash.CureMin / new CureClock(20, heat.KjPerMol, -20).RateAt(job.Bench.C)),
            "Label's flash time, scaled with vapour pressure (Clausius and Clapeyron) to the bench", Source.FromMemory("Flash time and heat of evaporation of the cleaner"), 1);
    }

    /// <summary>The wait for a cleaner to leave. It closes: a face that has stood open an hour is wiped again.</summary>
    /// <param name="job">The job.</param>
    /// <param name="time">How long it takes here.</param>
    public static StepWait Flashing(this Job job, Figure<WallTime> time)
    {
        // The clock runs with the bench's own temperature, so that a colder night lengthens it.
        var clock = new CureClock(20, Evaporation(job.Materials.Cleaner), -20);
        var stand = job.Constant("clean.stand", "A clean face may stand open", WallMin(60), Source.FromMemory("How long a cleaned face may stand open before it is wiped again"));
        return new StepWait(WaitKind.Flash, CureMin(time.WallMin * clock.RateAt(job.Bench.C)), CureMin(stand.WallMin), null, clock,
            "Is it dry, with no cold feel to the back of the hand?", 2, "It has stood open too long: wipe it again and let it flash.", time.Id);
    }

    /// <summary>The wait for the cleaner to leave once more.</summary>
    public static StepWait FlashAgain(this Job job) => job.Flashing((Figure<WallTime>)job.Figures.Find("clean.flash")!);

    private static double Evaporation(Material cleaner) => cleaner.ActivationKjPerMol ?? 31;
}
