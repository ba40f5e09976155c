using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Steps on surfaces that most families share: find, dry, open, scuff, trace and mask, clean.</summary>
internal static class Surfaces
{
    /// <summary>Finds every leak or flaw, where the damage is of a kind that hides.</summary>
    public static StepList Find(this StepList list)
    {
        if (list.View.Usual?.Leaks != true)
        {
            return list;
        }

        var tests = list.View.Catalogue.LookTests.Where(test => test.Finds(list.Damage.Kind, list.View.Outer)).ToList();
        var how = string.Join(" Or: ", tests.Select(test => $"{test.Name}. {test.How}"));
        return list.Do("find", Stage.Prepare, list.Damage.Located == false ? "Find it, all of them" : "Look for more of them",
            how.Length > 0 ? how : "Look over the whole item, face by face, and mark each find.", 10,
            "One leak does not exclude another: go on to the end, and keep each find.");
    }

    /// <summary>Dries it where it is wet.</summary>
    public static StepList Dry(this StepList list) => list.Damage.Wet ? list.Add(Ground.Dry()) : list;

    /// <summary>Lets the air out, where it holds any: a patch glued to an inflated skin warps it or blows off.</summary>
    public static StepList Deflate(this StepList list) =>
        list.View.Construction.PressureKpa is null
            ? list
            : list.Do("deflate", Stage.Prepare, "Let all the air out, lay it flat",
                "Open the valve, press the air out, lay the place flat on a board with no fold under it.", 4,
                "Deflate to patch, inflate to find and to prove: a patch on an inflated skin warps it or blows off.");

    /// <summary>Scuffs inside an outline with a grit.</summary>
    public static StepList Scuff(this StepList list, string wanted, string what, double minutes = 5, string[]? cautions = null)
    {
        var grit = Ground.NearestGrit(list.View.Drawer, wanted);
        list.Figure("scuff.grit", "Grit to scuff", grit.Grade, grit.Scale == Finishing.GritScale.P ? "P" : "CAMI",
            $"{wanted} for this face; the nearest grit in the drawer", Source.CommonPractice, [new("Median particle", grit.MedianUm, "µm")]);
        return list.Do("scuff", Stage.Prepare, $"Scuff {what} with {grit.Label}",
            $"{grit.Label} where it is to hold and nowhere else, until no shine is left. Brush it off.", minutes,
            "Scuff right up to the edge: the rim is what lifts.", cautions: cautions, draws: ["key"]);
    }

    /// <summary>Traces round the patch and masks outside the line.</summary>
    public static StepList TraceAndMask(this StepList list, string what = "the patch") =>
        list.Do("mask", Stage.Prepare, $"Trace {what}, tape outside the line",
            $"Lay {what} dry where it goes, trace round it with a soft pencil, tape close outside the line.", 4,
            "Mark which way it lies: two strokes across its edge and the item, and it finds its place again.", draws: ["tape"]);

    /// <summary>Wipes inside the line and lets it flash.</summary>
    public static StepList Clean(this StepList list) => list.Add(Ground.Clean(list.Inputs));

    /// <summary>A test. A hold test is read every few minutes until its gauge can tell.</summary>
    public static StepList Prove(this StepList list, string test, StepWait? wait = null)
    {
        var step = Finish.Prove(test, wait);
        return list.Add(test == HoldTest.ProofId
            ? step with { Timing = step.Timing with { HandsOnMin = Math.Ceiling(list.Inputs.Sheet.Figures.First(figure => figure.Id == Airtight.HoldFigure).Value) } }
            : step);
    }

    /// <summary>Draws a patch of stock on the outside of the section, with the film of glue under it.</summary>
    public static StepList DrawPatch(this StepList list, string id, double halfMm, double thicknessMm, string words, double depthMm = 0)
    {
        var up = depthMm > 0 ? 1 : -1;
        return list.Section(id, MarkKind.Patch, true, words,
            (-halfMm, depthMm), (-halfMm + thicknessMm, depthMm + (up * thicknessMm)), (halfMm - thicknessMm, depthMm + (up * thicknessMm)), (halfMm, depthMm));
    }

    /// <summary>Half the length of the damage in the section, in millimetres.</summary>
    public static double HalfMm(this StepList list) => list.View.Outline.LengthMm / 2;
}
