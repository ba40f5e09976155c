using AbleMend.Core.Cases;
using AbleMend.Core.Clamping;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A seam blown open: threads out of the way, cleaned inside, plenty of cement, clamped between flat bars for a day, then a day at pressure.</summary>
internal sealed class SeamRebondClamped : MendMethod
{
    public override string Id => "seam-rebond-clamped";

    public override string Name => "Clamp the seam under plates";

    public override string Why => "A day under plates and a day at pressure: for a seam that was blown open.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["plates", "clamps", "syringe"];

    public override IReadOnlyList<string> Schools => ["seam-leak", "pvc-cleaner"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.SeamOpen];

    public override bool Takes(Material material) => material.Role == Role.Cement && material.Chemistry is not "contact";

    protected override Message? Unfit(CaseView view) => OuterIs(view, "pvc", "csm", "tpu") ? null : "It is for welded or glued laps of PVC, CSM or TPU.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Dry().Deflate();
        var lap = job.Lap();
        job.OpenLap(true).Coats(job.LapArea(lap), "both faces of the lap", true);
        var over = job.Constant("plate.over", "Bars past the ends", Mm(40), Source.FromMemory("Bars reach past the ends"));
        var spacing = job.Constant("clamp.spacing", "Widest spacing", Mm(60), Source.FromMemory("Widest spacing of clamps on flat bars"));
        var bars = job.Figures.Work("plate.length", "Bars", () => Mm(job.Hurt.Length.Mm + over.Mm), "Length of the leak and past its ends", Source.Arithmetic, 1);
        var clamps = job.Figure("clamp.count", "Clamps", () => Count(Clamps.Count(bars.Mm, spacing.Mm)), "Length of the bars ÷ widest spacing, at least two", Source.CommonPractice, between: (1, 200));
        var bar = job.Figure("plate.bar", "Flat bars", Mm(6), $"{Mm(6)} flat bars, or wood wrapped in waxed paper", Source.CommonPractice, 1);
        job.Do("clamp", Stage.Apply, "Close it, clamp between flat bars", $"Close it from the sound end, {bar} bars on both sides wrapped in waxed paper, {clamps} clamps from the middle outwards, even.", 8,
            "Waxed paper under the bars: a bar that is glued on takes the seam with it.",
            job.Loadable(job.Label, null) with { Kind = WaitKind.Hold, Check = "Is what squeezed out dry and tough?" }, [.. job.Main.Hazards], ["lap", "bars"]);
        job.Inflate();
        var day = job.Figure("air.at-pressure", "At working pressure for", Hours(24), "A day at working pressure", Source.CommonPractice);
        var minutes = job.Figures.Work("air.at-pressure-min", "In minutes", () => WallMin(day.H * 60), "Hours × 60", Source.Arithmetic);
        job.Prove("soap").Watch(minutes).Prove("hold").DrawLap(lap);
        job.Draw(sketch => sketch.Slab("bars", MarkKind.Clamp, "bar", bars.Mm / 2, -1, -1 - (bar.Mm / 2)));
        return job.End(job.Hurt, job.Around(4));
    }
}
