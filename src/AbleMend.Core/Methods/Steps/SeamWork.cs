using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Quantities;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Opening a lap, cleaning it inside, and how it is drawn.</summary>
internal static class SeamWork
{
    /// <summary>Width of the lap. Common practice: about 19 mm (3/4 in) on most boards.</summary>
    public static Figure<Length> Lap(this Job job) => job.Figure("lap.width", "Lap", Mm(19), $"About {Mm(19)} on most boards; measure yours", Source.CommonPractice, 1);

    /// <summary>Opens the lap, takes out old glue and threads, cleans it with a syringe, lets the solvent leave.</summary>
    public static Job OpenLap(this Job job, bool blownOpen)
    {
        job.Do("open", Stage.Prepare, blownOpen ? "Threads back, open it a little further" : "Open it as far as it comes by itself",
            blownOpen ? "Push the threads back or cut them off. Open to where the lap is sound, a little further than it blew." : "A blunt spatula, no further than it comes.", 6,
            blownOpen ? "No threads in the lap: cement does not hold on them." : "Check all seams first: there is seldom only one.", cautions: ["blades"], draws: ["cut"]);
        job.AboveDew();
        var cleaner = job.Materials.Cleaner;
        var solvent = Evaporation.Solvents[cleaner.Id is "mek" or "isopropanol" ? cleaner.Id : "acetone"];
        var film = job.Constant("clean.film", "Solvent that a syringe leaves", GPerM2(20), Source.FromMemory("Solvent that a syringe leaves in a lap"));
        var relative = job.Constant("clean.relative-rate", "Relative rate of evaporation", Times(solvent.RelativeRate), Evaporation.Source);
        var minutes = job.Figure("clean.in-seam", "Solvent leaves the seam in", () => WallMin(Evaporation.FlashMin(solvent with { RelativeRate = relative.Times }, film.GPerM2, job.Bench.C, true)),
            "Film ÷ (rate of n-butyl acetate × relative rate × vapour pressure here ÷ at the table's temperature) × 4 inside a seam", Evaporation.Source, 1);
        var stand = job.Constant("clean.stand", "A clean face may stand open", WallMin(120), Source.FromMemory("How long a cleaned lap may stand open before it is wiped again"));
        var grit = job.Grit("clean.grit", "Rub it with", job.View.Outer.Families.Contains("csm") ? "P80" : "P220");
        return job.Do("clean", Stage.Prepare, $"{cleaner.Name} from a syringe, rub out old glue",
            $"A little at a time, right up inside. Roll the old glue out with a swab; {grit} where it is not clean. Let the solvent leave before the cement.", 8,
            "Let the solvent leave: seconds in the open, a couple of minutes inside a seam.",
            job.Flash(minutes, stand, "No smell of solvent left, with the lap held open?", "It has stood open too long: wipe it again.", 31),
            [.. cleaner.Hazards]);
    }

    /// <summary>Area of one face of the lap.</summary>
    public static Figure<Area> LapArea(this Job job, Figure<Length> lap) =>
        job.Figures.Work("lap.area", "One face of the lap", () => Cm2(job.Hurt.Length.Mm * lap.Mm / 100), "Length × width of the lap", Source.Arithmetic, 1);

    /// <summary>Draws the lap and the cement in it.</summary>
    public static void DrawLap(this Job job, Figure<Length> lap) =>
        job.Draw(sketch => sketch
            .Slab("glue", MarkKind.Glue, "cement", lap.Mm / 2, job.Skin.Mm - 0.1, job.Skin.Mm + 0.1)
            .Slab("lap", MarkKind.Patch, "lap", lap.Mm / 2, 0, job.Skin.Mm - 0.1));
}
