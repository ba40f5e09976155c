using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A short leak at a lap: cement brushed right up inside, left a few minutes, pinched shut, tested the same hour.</summary>
internal sealed class SeamRebondOpen : MendMethod
{
    /// <summary>Longest leak in millimetres that is pinched by hand. From memory.</summary>
    public const double LongestMm = 120;

    public override string Id => "seam-rebond-open";

    public override string Name => "Open, brush, pinch the seam shut";

    public override string Why => "A short leak at a lap is shut and tested the same hour.";

    public override int Skill => 2;

    public override IReadOnlyList<string> Schools => ["seam-leak", "pvc-cleaner"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.SeamOpen];

    public override bool Takes(Material material) => material.Role == Role.Cement && material.Chemistry is not "contact";

    protected override Message? Unfit(CaseView view) =>
        !OuterIs(view, "pvc", "csm", "tpu") ? "It is for welded or glued laps of PVC, CSM or TPU."
        : view.Outline.LengthMm > LongestMm ? (Message)$"Longer than {Mm(LongestMm)}: it is clamped under plates." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find().Dry().Deflate();
        var lap = job.Lap();
        job.OpenLap(false).Coats(job.LapArea(lap), "both faces of the lap", true);
        var firm = job.Figure("lap.firm", "Takes pressure after", WallMin(45), "A pinched lap is tested the same hour", Source.CommonPractice);
        job.Do("pinch", Stage.Apply, "Warm it, pinch it shut, no clamp", "With no smell of solvent left, and the tin shut and away, warm it, only to hand-touchable. Pinch the lap shut from the closed end outwards, finger by finger, and hold.", 5,
            "Warm only as a hand bears: hotter softens the boat.", job.Loadable(job.Label, null) with { OpensMin = CureMin(firm.WallMin), Because = firm.Id }, ["heat-gun"], ["lap"]);
        job.Inflate().Prove("soap").Watch().Prove("hold").DrawLap(lap);
        return job.End(job.Hurt, job.Around(4));
    }
}
