using AbleMend.Core.Figures;
using AbleMend.Core.Finishing;
using AbleMend.Core.Materials;
using AbleMend.Core.Proving;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Steps that finish and prove.</summary>
internal static class Finish
{
    /// <summary>Grit that begins on a fresh sanding coat. Common practice.</summary>
    public const string FirstGrit = "P150";

    /// <summary>The sanding ladder, dry to the school's grit and wet to the finish wanted.</summary>
    /// <param name="job">The job.</param>
    /// <param name="field">What is sanded.</param>
    public static Job Sand(this Job job, Field field)
    {
        var ladder = Ladder(job, field.Area.Cm2);
        var minutes = ladder.Select((rung, i) => Minutes(job, field, rung, i, i == 0 ? null : ladder[i - 1].Grit)).ToList();
        var steps = Message.Joined([.. ladder.Select(Said)], (all, next) => $"{all} → {next}");
        Message block = job.View.Location.Flat ? "on a hard flat block" : "on a soft block that follows the curve";
        return job.Do("sand", Stage.Finish, $"Sand {steps}",
            $"{job.BlushFirst()}{steps}, {block}. Scribble with a pencil between rungs as a guide coat. Stay on the coat until it is flush, then blend it out.",
            Math.Ceiling(minutes.Sum(rung => rung.WallMin)), "Stop before the weave shows.", cautions: ["resin-dust", "glass-dust"], draws: ["finish"]);
    }

    /// <summary>What comes before sanding or recoating a cured epoxy: amine blush is washed off, where solvent would only spread it. Common practice.</summary>
    public static Message BlushFirst(this Job job) =>
        job.Main is { Chemistry: "epoxy", Cure: CureKind.TwoPart } ? "Wash it with water and a pad, dry it. " : Message.Empty;

    /// <summary>A step that is a test.</summary>
    /// <param name="job">The job.</param>
    /// <param name="testId">Identifier of the test.</param>
    /// <param name="wait">What is waited for before it, or null.</param>
    public static Job Prove(this Job job, string testId, StepWait? wait = null)
    {
        var test = ProofTest.All[testId];
        var minutes = test.HandsMin;
        return job.Do($"prove-{testId}", Stage.Prove, Message.Parse(test.Name), Message.Parse(test.Question), minutes, wait: wait, proof: testId);
    }

    private static Message Said(Rung rung) => rung.Wet ? (Message)$"{rung.Grit.Label:as-is} wet" : $"{rung.Grit.Label:as-is}";

    private static Figure<WallTime> Minutes(Job job, Field field, Rung rung, int place, Grit? before)
    {
        var from = before?.Label;
        return job.Figure($"sand.{place + 1}", Said(rung), () => WallMin(GritLadder.Minutes(before, rung.Grit, field.Area.Cm2)),
            from is null
                ? (Message)$"Until the marks of the brush are gone; next grit at most {Times(GritLadder.LargestJump):0.#} finer"
                : $"Until the scratches of {from:as-is} are gone; next grit at most {Times(GritLadder.LargestJump):0.#} finer",
            Grit.Source, wouldChange: () => "Pencil scribble first: when the last line is gone, so are the scratches.");
    }

    private static IReadOnlyList<Rung> Ladder(Job job, double areaCm2)
    {
        var view = job.View;
        var first = job.Nearest(FirstGrit);
        var dry = job.Nearest(view.School("dry-finish"));
        var wet = job.Nearest(view.Case.Wanted.FinishGrit);
        var last = dry.MedianUm < wet.MedianUm ? wet : dry;
        IReadOnlyList<Grit> drawer = [.. view.Drawer, .. new[] { first, dry, wet }.Except(view.Drawer).Distinct()];
        var dryRungs = Climb(job, drawer, first, last, areaCm2);
        var wetRungs = Climb(job, drawer, last, wet, areaCm2);
        // The wet ladder starts on the last dry grit; that rung is repeated only when it is itself the finish.
        var kept = last == wet ? wetRungs : wetRungs.Skip(1);
        return [.. dryRungs, .. kept.Select(rung => rung with { Wet = true })];
    }

    private static IReadOnlyList<Rung> Climb(Job job, IReadOnlyList<Grit> drawer, Grit first, Grit last, double areaCm2)
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
        job.Warnings.Add(new Warning("gap-in-drawer", $"Nothing in the drawer follows {gap.Label:as-is} closely enough: buy {missing.Label:as-is}. It is planned with it.", "sand"));
        return Climb(job, [.. drawer, missing], first, last, areaCm2);
    }
}
