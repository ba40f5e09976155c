using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A short leak at a lap: cement brushed right up inside, left a few minutes, pinched shut, tested the same hour.</summary>
public sealed class SeamRebondOpen : MendMethod
{
    /// <summary>Width of the lap in millimetres. Common practice: about 19 mm (3/4 in).</summary>
    public const double LapMm = 19;

    /// <summary>Longest leak in millimetres that is pinched by hand. From memory.</summary>
    public const double LongestMm = 120;

    /// <summary>Minutes until a pinched lap stands the pressure. Common practice: tested the same hour.</summary>
    public const double FirmMin = 45;

    public override string Id => "seam-rebond-open";

    public override string Name => "Open, brush, pinch the seam shut";

    public override string Why => "A short leak at a lap is shut and tested the same hour.";

    public override int Skill => 2;

    public override IReadOnlyList<string> Schools => ["seam-leak", "pvc-cleaner"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.SeamOpen];

    public override bool Takes(Material material) => material.Role == Role.Cement && material.Chemistry is not "contact";

    protected override string? Unfit(CaseView view) =>
        !OuterIs(view, "pvc", "csm", "tpu") ? "It is for welded or glued laps of PVC, CSM or TPU."
        : view.Outline.LengthMm > LongestMm ? $"Longer than {LongestMm:0} mm: it is clamped under plates." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find().Dry().Deflate();
        SeamWork.Open(list, LapMm, false);
        list.Coats(list.View.Outline.LengthMm * LapMm / 100, "both faces of the lap", true);
        list.Do("pinch", Stage.Apply, "Warm it, pinch it shut, no clamp", "Warm only to hand-touchable. Pinch the lap shut from the closed end outwards, finger by finger, and hold.", 5,
            "Warm only as a hand bears: hotter softens the boat.", Waits.Loadable(list.View, list.Main, null) with { OpensMin = FirmMin }, ["heat-gun"], ["lap"]);
        Airtight.Inflate(list);
        list.Prove("soap").Prove("hold");
        SeamWork.Draw(list, LapMm);
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
