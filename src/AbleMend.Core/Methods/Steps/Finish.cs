using AbleMend.Core.Finishing;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Steps that finish and prove.</summary>
internal static class Finish
{
    /// <summary>Grit that begins on a fresh sanding coat. Common practice.</summary>
    public const string FirstGrit = "P150";

    /// <summary>The sanding ladder, dry to the school's grit and wet to the finish wanted.</summary>
    public static PlanStep Sand(MethodInputs inputs, double areaCm2, List<Warning> warnings)
    {
        var rungs = Ladder(inputs.View.Drawer, inputs.View, areaCm2, warnings);
        var timing = new StepTiming("sand", Math.Ceiling(rungs.Sum(rung => rung.Minutes)), false, null);
        if (inputs.Sheet.TimingOnly)
        {
            return PlanStep.Timed(Stage.Finish, timing);
        }

        foreach (var (rung, i) in rungs.Select((rung, i) => (rung, i)))
        {
            var before = i == 0 ? null : rungs[i - 1].Grit;
            inputs.Sheet.Put($"sand.{i + 1}", $"{rung.Grit.Label}{(rung.Wet ? " wet" : "")}", new Worked(rung.Minutes, "min", new Derivation(
                $"Until the scratches of {before?.Label ?? "the brush"} are gone; next grit at most {GritLadder.LargestJump:0.#} times finer", Grit.Source,
                [
                    new("Median particle", rung.Grit.MedianUm, "µm"), new("Before it", before?.MedianUm ?? rung.Grit.MedianUm, "µm"),
                    new("Area", areaCm2, "cm²"),
                ],
                "Pencil scribble first: when the last line is gone, so are the scratches.")));
        }

        var ladder = string.Join(" → ", rungs.Select(rung => rung.Wet ? $"{rung.Grit.Label} wet" : rung.Grit.Label));
        var block = inputs.View.Location.Flat ? "on a hard flat block" : "on a soft block that follows the curve";
        return new PlanStep("sand", Stage.Finish, $"Sand {ladder}",
            $"{ladder}, {block}. Scribble with a pencil between rungs as a guide coat. Stay on the coat until it is flush, then blend it out.",
            [.. inputs.Sheet.Figures.Where(figure => figure.Id.StartsWith("sand.", StringComparison.Ordinal)).Select(figure => figure.Id)],
            ["resin-dust", "glass-dust"], "Stop before the weave shows.",
            timing, null, ["finish"]);
    }

    /// <summary>A step that is a test.</summary>
    public static PlanStep Prove(string testId, StepWait? wait = null)
    {
        var test = ProofTest.All[testId];
        return new PlanStep($"prove-{testId}", Stage.Prove, test.Name, test.Question, [], [], null,
            new StepTiming($"prove-{testId}", testId == "float" ? 15 : 2, false, wait), null, [], testId);
    }

    private static IReadOnlyList<Rung> Ladder(IReadOnlyList<Grit> drawer, CaseView view, double areaCm2, List<Warning> warnings)
    {
        var repairCase = view.Case;
        var first = Ground.NearestGrit(view.Drawer, FirstGrit);
        var dry = Ground.NearestGrit(view.Drawer, view.School("dry-finish"));
        var wet = Ground.NearestGrit(view.Drawer, repairCase.Wanted.FinishGrit);
        var last = dry.MedianUm < wet.MedianUm ? wet : dry;
        var dryRungs = Climb(drawer, first, last, areaCm2, warnings);
        var wetRungs = Climb(drawer, last, wet, areaCm2, warnings);
        // The wet ladder starts on the last dry grit; that rung is repeated only when it is itself the finish.
        var kept = last == wet ? wetRungs : wetRungs.Skip(1);
        return [.. dryRungs, .. kept.Select(rung => rung with { Wet = true })];
    }

    private static IReadOnlyList<Rung> Climb(IReadOnlyList<Grit> drawer, Grit first, Grit last, double areaCm2, List<Warning> warnings)
    {
        if (first.MedianUm <= last.MedianUm)
        {
            return [new Rung(last, false, GritLadder.Minutes(null, last, areaCm2))];
        }

        var result = GritLadder.Climb(drawer, first, last, areaCm2);
        if (result.GapAfter is not { } gap)
        {
            return result.Rungs;
        }

        var missing = Grit.All.Last(grit => grit.Scale == GritScale.P && grit.MedianUm >= result.GapNeedsUm && grit.MedianUm < gap.MedianUm);
        warnings.Add(new Warning("gap-in-drawer", $"Nothing in the drawer follows {gap.Label} closely enough: buy {missing.Label}. It is planned with it.", "sand"));
        return Climb([.. drawer, missing], first, last, areaCm2, warnings);
    }
}
