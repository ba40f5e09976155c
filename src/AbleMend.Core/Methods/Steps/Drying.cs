using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>How an item is dried before anything is to hold on it: by what it is made of. Only foam holds so much water that it is opened and weighed for days.</summary>
internal static class Drying
{
    /// <summary>Identifier of the step that dries it.</summary>
    public const string StepId = "dry";

    /// <summary>One way of drying. Times from memory: they say when to look, not when it is dry.</summary>
    private sealed record Way(Func<CaseView, bool> Is, Message Title, Message How, Message Forget, double HandsMin, double UsualMin, Message Check, double RecheckMin);

    private static readonly Way Foam = new(
        view => view.Construction.Family == GearFamily.Boards && view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("foam")),
        "Drain it and dry it by weight",
        "Stand it so that the damage is the lowest point and let it drain, then lay it in warm moving air. Weigh it at the same hour every day and write the weight down. It is dry when two daily weights agree.",
        "Weigh it before it starts: the first weight is the one that is always missing.", 15, 48 * 60, "Do the last two daily weights agree?", 24 * 60);

    private static readonly Way[] Ways =
    [
        Foam,
        new(view => view.Construction.Family == GearFamily.Inflatables,
            "Dry it, inside and out", "Wipe it. Open the valves and let hand-warm air go through until no drop runs out when it is tilted. Nothing is cut open.",
            "The inside too: damp behind a patch lifts it.", 8, 120, "Does a paper towel pressed on the place and into the valve stay dry?", 60),
        new(view => view.Construction.Family == GearFamily.Footwear,
            "Dry it slowly", "Insole out, stuff it with paper and change that twice, in moving air at room warmth, never on a heater: leather cracks and glue lines let go. Weigh it night and morning.",
            "Both of the pair: they were in the same stream.", 8, 24 * 60, "Do the last two weights agree?", 12 * 60),
        new(view => view.Outer.Families.Contains("textile") || view.Outer.Families.Contains("neoprene") || view.Outer.Families.Contains("latex"),
            "Rinse it, hang it, dry it", "Rinse off salt and mud with fresh water, wring it in a towel, turn it inside out and hang it in moving air. No heat.",
            "Both faces: turn it once.", 8, 6 * 60, "Does a paper towel pressed on both faces stay dry?", 120),
        new(view => view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("wood")),
            "Warm the water out", "Wipe it, blow the gap out, hand-warm air on it for a quarter of an hour with the gap held open, then a night in a warm room.",
            "Hot air no warmer than a hand bears: glue lines next to it soften.", 20, 12 * 60, "Does a paper towel pressed into it stay dry, and is the wood as light in colour as beside it?", 120),
        new(view => view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("laminate")),
            "Wipe it, warm it, look for mist", "Rinse salt off, wipe it, hand-warm air on both faces. Then tape a piece of clear film over it, tight all round, for a night.",
            "The inside of a hull as well.", 10, 12 * 60, "Is the film clear, with no mist under it?", 120),
        new(_ => true, "Wipe it, blow it out, warm it", "Rinse salt off, wipe it, blow cracks and threads out, hand-warm air until it is warm to the back of the hand.",
            "Look behind it: water runs out of a crack when it is warm.", 5, 30, "Does a paper towel pressed on it stay dry?", 15),
    ];

    /// <summary>Dries it where it is wet.</summary>
    public static Job Dry(this Job job) => job.Damage.Wet ? job.Dried(Ways.First(way => way.Is(job.View))) : job;

    /// <summary>Opens it at its lowest point, drains it and dries it by weight: for foam that holds water though nothing is broken.</summary>
    public static Job DryByWeight(this Job job) =>
        job.Dried(Foam with
        {
            Title = "Open it and dry it by weight",
            How = "Cut a small opening at the lowest point, stand it there to drain, then lay it in warm moving air. Weigh it at the same hour every day and write the weight down. It is dry when two daily weights agree.",
        });

    private static Job Dried(this Job job, Way way)
    {
        var usual = job.Constant("dry.usual", "Usual drying", WallMin(way.UsualMin), Source.FromMemory("When to look first: the check says when it is dry"));
        return job.Do(StepId, Stage.Prepare, way.Title, way.How, way.HandsMin, way.Forget, Waits.ByTheClock(WaitKind.Dry, usual, way.Check, way.RecheckMin));
    }
}
