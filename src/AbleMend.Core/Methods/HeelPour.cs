using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A worn heel built up: a dam of tape, the shoe level, urethane poured a millimetre or two proud, because it is softer than rubber.</summary>
public sealed class HeelPour : MendMethod
{
    /// <summary>How far it stands proud in millimetres. Common practice: one or two.</summary>
    public const double ProudMm = 1.5;

    public override string Id => "heel-pour";

    public override string Name => "Dam and pour the heel";

    public override string Why => "Gives the worn corner back without a cobbler.";

    public override int Skill => 1;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.WornAway];

    public override bool Takes(Material material) => material is { Chemistry: "urethane", Role: Role.Sealant };

    protected override string? Unfit(CaseView view) => OuterIs(view, "outsole") ? null : "It is for soles.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var missing = list.Damage.MissingMm ?? list.Damage.DepthMm;
        list.Dry().Scuff("P60", "the worn face", 4).Clean();
        list.Do("dam", Stage.Shape, "Tape dam round it, level the shoe", "Two layers of tape round the edge, pressed on below, standing above the finished height. Sole up, wedge it until a drop of water stands still.", 6,
            "Level it: the pour finds the level, not the sole.", draws: ["dam"]);
        var depth = list.Figure("pour.depth", "Deepest", missing + ProudMm, "mm", "What is gone and a millimetre or two proud, being softer", Source.CommonPractice, [new("Gone", missing, "mm"), new("Proud", ProudMm, "mm")], 1);
        list.Figure("pour.need", "Urethane", list.View.Outline.AreaMm2 * ((missing / 2) + ProudMm) / 1000, "mL", "Area × (half of what is gone, a wedge, and the proud part)", Source.Published("Solid geometry, textbook"),
            [new("Area", list.View.Outline.AreaMm2 / 100, "cm²"), new("Gone", missing, "mm"), new("Proud", ProudMm, "mm")], 1);
        var wait = Waits.LoadableThrough(list.View, list.Main, null, depth);
        list.Figure("pour.cure", "Through in", wait.OpensMin / 60, "h", "Label's time × (depth ÷ label's film)² × humidity of the label's air ÷ this air", Curing.MoistureCure.Source,
            [new("Depth", depth, "mm"), new("Label's film", list.Main.LabelFilmMm!.Value, "mm"), new("Absolute humidity here", Curing.MoistureCure.AbsoluteHumidityGPerM3(list.View.Case.Bench.TemperatureC, list.View.Case.Bench.RelativeHumidityPercent), "g/m³")],
            0, "Damper or warmer air.");
        list.Do("pour", Stage.Apply, "Pour it in one go, pop the bubbles", "Close to the face, from one side. Pop bubbles with a needle: they show in clear.", 4, "Store the opened tube frozen.", wait, [.. list.Main.Hazards], ["pour"]);
        list.Do("cut-back", Stage.Finish, "Dam off, cut it back", "Sharp blade, then P60, a millimetre or two proud.", 5, "The mate too: a lame pair is worse than a worn one.", cautions: ["blades"], draws: ["finish"]);
        list.Prove("edge").Prove("walk");
        list.Section("pour", MarkKind.Fill, true, "pour", (-list.HalfMm(), -ProudMm), (list.HalfMm(), -ProudMm), (list.HalfMm(), missing), (-list.HalfMm(), 0))
            .Section("dam", MarkKind.Tape, false, "tape dam", (list.HalfMm(), list.Damage.DepthMm), (list.HalfMm(), -ProudMm - 2)).Section("dam", MarkKind.Tape, false, null, (-list.HalfMm(), list.Damage.DepthMm), (-list.HalfMm(), -ProudMm - 2));
        return list.End(list.View.Outline, list.View.Outline.Grown(3));
    }
}
