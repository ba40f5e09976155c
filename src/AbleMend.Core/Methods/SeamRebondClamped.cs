using AbleMend.Core.Clamping;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A seam blown open: threads out of the way, cleaned inside, plenty of cement, clamped between flat bars for a day, then a day at pressure.</summary>
public sealed class SeamRebondClamped : MendMethod
{
    /// <summary>Thickness of the flat bars in millimetres. Common practice: 6 mm (1/4 in).</summary>
    public const double BarMm = 6;

    /// <summary>Widest spacing of the clamps in millimetres. From memory of 6 mm bars.</summary>
    public const double SpacingMm = 60;

    /// <summary>Minutes at working pressure that prove it. Common practice: 24 h.</summary>
    public const double AtPressureMin = 1440;

    public override string Id => "seam-rebond-clamped";

    public override string Name => "Clamp the seam under plates";

    public override string Why => "A day under plates and a day at pressure: for a seam that was blown open.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["plates", "clamps", "syringe"];

    public override IReadOnlyList<string> Schools => ["seam-leak", "pvc-cleaner"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.SeamOpen];

    public override bool Takes(Material material) => material.Role == Role.Cement && material.Chemistry is not "contact";

    protected override string? Unfit(CaseView view) => OuterIs(view, "pvc", "csm", "tpu") ? null : "It is for welded or glued laps of PVC, CSM or TPU.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find().Dry().Deflate();
        SeamWork.Open(list, SeamRebondOpen.LapMm, true);
        list.Coats(list.View.Outline.LengthMm * SeamRebondOpen.LapMm / 100, "both faces, plenty", true);
        var clamps = list.Figure("clamp.count", "Clamps", Clamps.Count(list.View.Outline.LengthMm + 40, SpacingMm), "", "Length of the bars ÷ widest spacing, at least two", Source.CommonPractice,
            [new("Bars", list.View.Outline.LengthMm + 40, "mm"), new("Spacing", SpacingMm, "mm")]);
        list.Figure("plate.bar", "Flat bars", BarMm, "mm", "6 mm (1/4 in) flat bars, or wood wrapped in waxed paper", Source.CommonPractice);
        list.Do("clamp", Stage.Apply, "Close it, clamp between flat bars", $"Close it from the sound end, bars on both sides wrapped in waxed paper, {clamps:0} clamps from the middle outwards, even.", 8,
            "Waxed paper under the bars: a bar that is glued on takes the seam with it.",
            Waits.Loadable(list.View, list.Main, null) with { Kind = WaitKind.Hold, Check = "Is what squeezed out dry and tough?" }, [.. list.Main.Hazards], ["lap", "bars"]);
        Airtight.Inflate(list);
        list.Do("at-pressure", Stage.Prove, "Leave it a day at working pressure", "In the shade, away from heat. Read the gauge at the start and write it down.", 3, "Write the first reading down: it is the one that is always missing.",
            new StepWait(WaitKind.Loadable, AtPressureMin, null, null, new Curing.CureClock(20, 0, -30), "Is the gauge where it was, corrected for temperature?", 120), ["pressure"]);
        list.Prove("soap").Prove("hold");
        SeamWork.Draw(list, SeamRebondOpen.LapMm);
        var half = list.HalfMm() + 10;
        list.Section("bars", MarkKind.Clamp, true, "bar", (-half, -1), (half, -1), (half, -1 - (BarMm / 2)), (-half, -1 - (BarMm / 2)));
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
