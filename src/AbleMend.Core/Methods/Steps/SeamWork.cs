using AbleMend.Core.Curing;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Opening a lap, cleaning it inside, and how it is drawn.</summary>
internal static class SeamWork
{
    /// <summary>Solvent that a syringe leaves in a lap, in g/m². From memory.</summary>
    private const double SolventGPerM2 = 20;

    /// <summary>Opens the lap, takes out old glue and threads, cleans it with a syringe, lets the solvent leave.</summary>
    public static StepList Open(StepList list, double lapMm, bool blownOpen)
    {
        list.Figure("lap.width", "Lap", lapMm, "mm", "About 19 mm (3/4 in) on most boards; measure yours", Source.CommonPractice);
        list.Do("open", Stage.Prepare, blownOpen ? "Threads back, open it a little further" : "Open it as far as it comes by itself",
            blownOpen ? "Poke the threads back or cut them off. Open to where the lap is sound, a little further than it blew." : "A blunt spatula, no further than it comes.", 6,
            blownOpen ? "No thread in the lap: cement does not take on them." : "Check all seams first: there is seldom only one.", cautions: ["blades"], draws: ["cut"]);
        var solvent = Evaporation.Solvents[list.Inputs.Materials.Cleaner.Id is "mek" or "isopropanol" ? list.Inputs.Materials.Cleaner.Id : "acetone"];
        var minutes = list.Figure("clean.in-seam", "Solvent leaves the seam in", Evaporation.FlashMin(solvent, SolventGPerM2, list.View.Case.Bench.TemperatureC, true), "min",
            "Film ÷ (rate of n-butyl acetate × relative rate × vapour pressure here ÷ at 20 °C) × 4 inside a seam", Evaporation.Source,
            [new("Film", SolventGPerM2, "g/m²"), new("Relative rate", solvent.RelativeRate, ""), new("Bench", list.View.Case.Bench.TemperatureC, "°C")], 1);
        return list.Do("clean", Stage.Prepare, $"{list.Inputs.Materials.Cleaner.Name} from a syringe, rub out old glue",
            "A little at a time, right up inside. Roll the old glue out with a swab; P220 where it is not clean. Let the solvent leave before the cement.", 8,
            "Let the solvent leave: seconds in the open, a couple of minutes inside a seam.",
            new StepWait(WaitKind.Flash, Math.Max(0.5, minutes), 120, null, new CureClock(list.View.Case.Bench.TemperatureC, 31, -30), "Does it smell no longer, with the lap held open?", 2, "It has stood open too long: wipe it again."),
            [.. list.Inputs.Materials.Cleaner.Hazards]);
    }

    /// <summary>Draws the lap and the cement in it.</summary>
    public static void Draw(StepList list, double lapMm)
    {
        var depth = list.View.Reach.Layers[0].Layer.ThicknessMm;
        list.Section("glue", MarkKind.Glue, true, "cement", (-lapMm / 2, depth - 0.1), (lapMm / 2, depth - 0.1), (lapMm / 2, depth + 0.1), (-lapMm / 2, depth + 0.1));
        list.Section("lap", MarkKind.Patch, true, "lap", (-lapMm / 2, 0), (lapMm / 2, 0), (lapMm / 2, depth - 0.1), (-lapMm / 2, depth - 0.1));
    }
}
