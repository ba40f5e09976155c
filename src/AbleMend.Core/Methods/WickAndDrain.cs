using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Proving;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A hollow shaft with water inside: find the weep, drill a drain at the low point, wick thin adhesive into the seam, close the hole.</summary>
internal sealed class WickAndDrain : MendMethod
{
    public override string Id => "wick-and-drain";

    public override string Name => "Drain it, wick the seam shut";

    public override string Why => "Thin adhesive runs into pinholes that nothing else reaches.";

    public override IReadOnlyList<string> Needs => ["drill"];

    public override IReadOnlyList<string> Schools => ["drain-hole"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.WaterInside];

    public override bool Takes(Material material) => material.Chemistry == "cyanoacrylate";

    protected override Message? Unfit(CaseView view) => view.Construction.Silhouette == Silhouette.Paddle ? null : "It is for hollow shafts.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var inside = job.Constant("shaft.volume", "Air inside", Ml(1200), Source.FromMemory("Air in the shaft of a touring paddle"));
        var (warm, cold) = (job.Constant("shaft.warm", "Warm", Celsius(45), Source.FromMemory("A dark shaft in the sun")), job.Constant("shaft.cold", "Dunked at", Celsius(12), Source.FromMemory("Cool water")));
        job.Figure("air.drawn-in", "Takes in at each dunk, at most", () => Ml(Gas.DrawnInMl(inside.Ml, warm.C, cold.C)), "Volume × (1 − T2/T1), if the leak lets it", Gas.Source, 0);
        job.Find();
        var (usual, largest) = (job.Constant("drill.usual", "Usual drain drill", Mm(2.4), Source.CommonPractice), job.Constant("drill.largest", "Largest drain drill", Mm(3), Source.CommonPractice));
        var drill = job.Figure("drill.size", "Drill", () => Mm(Math.Min(usual.Mm, largest.Mm)), "The usual one, and no larger than the largest", Source.CommonPractice, 1);
        var below = job.Figure("drill.place", "Below the neck", Mm(50), "Centre of the spine, the low point", Source.CommonPractice, 1);
        job.Do("drill", Stage.Prepare, $"Drill {drill}, {below} below the neck, on the spine", "Punch a mark, slow drill, through a scrap of tape that keeps it from wandering and comes off with the chip. The core is closed-cell, so water does no harm once out. If it was drilled before: the same spot.", 4,
            "Re-drill the same spot if it was drained before.", cautions: ["carbon-dust", "metal-chips"], draws: ["drill"]);
        var day = job.Constant("drain.time", "Until it stops dripping, and warm", WallMin(1440), Source.FromMemory("A day in moving warm air"));
        job.Do("drain", Stage.Prepare, "Stand it, drain it, warm it dry", "Hole down in a warm place until it stops dripping, then a day in moving warm air.", 5, "Shake it by your ear: you hear the water.",
            Waits.ByTheClock(WaitKind.Dry, day, "Silent when you shake it by your ear?", 240), draws: ["flow"]);
        job.Do("mask", Stage.Prepare, "Mask both sides of the seam", "Tape a finger's width either side, all along.", 5, "The whole seam: the next pinhole is beside the first.", draws: ["tape"]);
        job.Scuff("P320", "the seam, lightly", 3).Clean();
        job.Wick("A seam soaks up", 4, 0.5);
        job.Takes(job.Main, job.Figures.Find("wick.need"));
        job.Do("wick", Stage.Apply, "Run thin adhesive along the whole seam, wipe", "Touch and run: it wicks into pinholes. Wipe before it sets, pull the tape.", 3, "Wipe before it sets: a run has to be sanded.", job.Hold(job.Label, null), [.. job.Main.Hazards], ["wick"]);
        CloseHole(job);
        job.Prove("dunk").Prove("fingernail");
        job.Draw(sketch => DrawDrain(sketch, job, drill, below.Mm));
        return job.End(job.Hurt, job.Around(4));
    }

    private static void DrawDrain(Sketch sketch, Job job, Figure<Length> drill, double below)
    {
        var radius = drill.Mm / 2;
        sketch.Section("drill", MarkKind.Drill, true, $"⌀ {drill}", (below - radius, 0), (below + radius, 0), (below + radius, job.Skin.Mm), (below - radius, job.Skin.Mm))
            .Section("flow", MarkKind.Flow, false, "water out", (below, 6), (below, -3)).Section("wick", MarkKind.Glue, false, "wicked seam", (0, 0), (0, job.Depth.Mm))
            .Above("drill", MarkKind.Drill, true, null, (below - radius, -radius), (below + radius, -radius), (below + radius, radius), (below - radius, radius));
    }

    private static void CloseHole(Job job)
    {
        var sticker = job.View.School("drain-hole") == "sticker";
        var time = sticker
            ? job.Figures.Work("close.time", "Leave it", () => CureMin(Math.Min(job.Label.Loadable.CureMin, 10)), "Until the sticker's edge has set", Source.FromMemory("A sticker sets"))
            : job.Figures.Work("close.time", "Leave it level", () => CureMin(Math.Max(job.Label.Loadable.CureMin, 60)), "The label's time, at least an hour", Source.CommonPractice);
        job.Do("close", Stage.Apply, sticker ? "Close the hole with a sticker" : "Close the hole under tape, inverted and level",
            sticker ? "A waterproof sticker, its edge rubbed down. Look under it after a few days on the water." : "A drop of the same adhesive in the hole, in thin touches, clear tape over it, paddle inverted and level so that it sets flush. Take the tape off when it has set.", 3,
            sticker ? "Write the day on the sticker." : "Inverted and level, or it runs into the shaft.",
            job.Loadable(job.Label, null) with { OpensMin = time.Value, CountsFrom = null, Because = time.Id }, draws: ["close"]);
    }
}
