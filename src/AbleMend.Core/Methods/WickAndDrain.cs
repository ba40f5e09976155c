using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;

namespace AbleMend.Core.Methods;

/// <summary>A hollow shaft with water inside: find the weep, drill a drain at the low point, wick thin adhesive into the seam, close the hole.</summary>
public sealed class WickAndDrain : MendMethod
{
    /// <summary>Drain drill in millimetres. Common practice: 2.4 mm (3/32 in).</summary>
    public const double DrillMm = 2.4;

    /// <summary>Largest drain drill in millimetres. Common practice: 3 mm (1/8 in).</summary>
    public const double LargestDrillMm = 3;

    /// <summary>Below the neck, on the centre of the spine, in millimetres. Common practice: 50 mm (2 in), the low point.</summary>
    public const double BelowNeckMm = 50;

    /// <summary>Minutes inverted and level under tape. Common practice: an hour.</summary>
    public const double LevelMin = 60;

    /// <summary>Air in a hollow shaft in mL: from memory of a touring paddle.</summary>
    public const double ShaftMl = 1200;

    public override string Id => "wick-and-drain";

    public override string Name => "Drain it, wick the seam shut";

    public override string Why => "Thin adhesive runs into pinholes that nothing else reaches.";

    public override IReadOnlyList<string> Needs => ["drill"];

    public override IReadOnlyList<string> Schools => ["drain-hole"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.WaterInside];

    public override bool Takes(Material material) => material.Chemistry == "cyanoacrylate";

    protected override string? Unfit(CaseView view) => view.Construction.Silhouette == Silhouette.Paddle ? null : "It is for hollow shafts.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Figure("air.drawn-in", "Draws in at each dunk up to", Gas.DrawnInMl(ShaftMl, 45, 12), "mL", "Volume × (1 − T2/T1), if the leak lets it", Gas.Source, [new("Inside", ShaftMl, "mL"), new("Warm", 45, "°C"), new("Dunked at", 12, "°C")]);
        list.Find();
        list.Figure("drill.size", "Drill", DrillMm, "mm", "2.4 mm (3/32 in), at most 3 mm (1/8 in)", Source.CommonPractice, [new("Largest", LargestDrillMm, "mm")], 1);
        list.Figure("drill.place", "Below the neck", BelowNeckMm, "mm", "Centre of the spine, 50 mm (2 in) below the neck: the low point", Source.CommonPractice);
        list.Do("drill", Stage.Prepare, $"Drill {DrillMm:0.0} mm, {BelowNeckMm:0} mm below the neck, on the spine", "Punch a mark, tape over it, slow drill. The core is closed-cell, so water does no harm once out. If it was drilled before: the same spot.", 4,
            "Re-drill the same spot if it was drained before.", cautions: ["carbon-dust", "metal-chips"], draws: ["drill"]);
        list.Do("drain", Stage.Prepare, "Stand it, drain it, warm it dry", "Hole down in a warm place until it drips no more, then a day in moving warm air.", 5, "Shake it at the ear: it tells.",
            new StepWait(WaitKind.Dry, 1440, null, null, new Curing.CureClock(20, 0, -30), "Shaken at the ear, is it silent?", 240), draws: ["flow"]);
        list.Do("mask", Stage.Prepare, "Mask both sides of the seam", "Tape a few millimetres either side, all along.", 5, "The whole seam: the next pinhole is beside the first.", draws: ["tape"]);
        list.Scuff("P320", "the seam, lightly", 3).Clean();
        list.Figure("wick.need", "Adhesive", Math.Max(0.5, list.View.Outline.LengthMm * 0.004), "g", "About 4 mg a millimetre of seam", Source.FromMemory("What a seam drinks"), [new("Seam", list.View.Outline.LengthMm, "mm")], 1);
        list.Do("wick", Stage.Apply, "Run thin adhesive along the whole seam, wipe", "Touch and run: it wicks into pinholes. Wipe before it sets.", 3, "Wipe before it sets: a run has to be sanded.", Waits.Hold(list.View, list.Main, null), [.. list.Main.Hazards], ["wick"]);
        CloseHole(list);
        list.Prove("dunk").Prove("fingernail");
        list.Section("drill", MarkKind.Drill, true, $"⌀{DrillMm:0.0}", (BelowNeckMm - 1.2, 0), (BelowNeckMm + 1.2, 0), (BelowNeckMm + 1.2, list.View.Reach.Layers[0].Layer.ThicknessMm), (BelowNeckMm - 1.2, list.View.Reach.Layers[0].Layer.ThicknessMm))
            .Section("flow", MarkKind.Flow, false, "water out", (BelowNeckMm, 6), (BelowNeckMm, -3)).Section("wick", MarkKind.Glue, false, "wicked seam", (0, 0), (0, list.Damage.DepthMm))
            .Above("drill", MarkKind.Drill, true, null, (BelowNeckMm - 1.2, -1.2), (BelowNeckMm + 1.2, -1.2), (BelowNeckMm + 1.2, 1.2), (BelowNeckMm - 1.2, 1.2));
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }

    private static void CloseHole(StepList list)
    {
        var sticker = list.View.School("drain-hole") == "sticker";
        var wait = Waits.Loadable(list.View, list.Main, null);
        list.Do("close", Stage.Apply, sticker ? "Close the hole with a sticker" : "Close the hole under tape, inverted and level",
            sticker ? "A waterproof sticker, its edge rubbed down. Look under it after a few days on the water." : "Epoxy or cyanoacrylate in the hole, clear tape over it, paddle inverted and level so that it sets flush.", 3,
            sticker ? "Write the day on the sticker." : "Inverted and level, or it runs into the shaft.",
            sticker ? wait with { OpensMin = Math.Min(wait.OpensMin, 10), CountsFrom = null } : wait with { OpensMin = Math.Max(wait.OpensMin, LevelMin), CountsFrom = null }, draws: ["close"]);
    }
}
