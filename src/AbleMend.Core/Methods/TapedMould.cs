using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A chipped edge or nose rebuilt in a lip of clear tape, chip turned up, closed over, the bulge pushed to the tip.</summary>
public sealed class TapedMould : MendMethod
{
    /// <summary>How far it stands proud in millimetres. From memory.</summary>
    public const double ProudMm = 0.5;

    public override string Id => "taped-mould";

    public override string Name => "Pour it in a taped lip";

    public override string Why => "Bare carbon is sealed and the edge has its shape back, with little to sand.";

    public override int Tidiness => 4;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Chip, DamageKind.Scratch];

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart } && material.Suits?.Contains("metal") != true;

    protected override string? Unfit(CaseView view) =>
        view.Case.Damage.Kind == DamageKind.Scratch && OuterIs(view, "gel-coat") ? "A scratch in gel coat is filled with gel coat."
        : view.Construction.Silhouette is not (Silhouette.Hull or Silhouette.Foil) || !view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("laminate")) ? "It is for laminated hulls and foils." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var missing = list.Damage.MissingMm ?? list.Damage.DepthMm;
        list.Dry();
        list.Do("turn", Stage.Prepare, "Turn it so that the chip faces up", "Wedge it so that a drop stays in the chip.", 4, "Bare carbon is sealed before salt water.", draws: ["cut"]);
        list.Scuff("P120", "chip and rim", 4, ["carbon-dust"]).Clean();
        list.Do("lip", Stage.Shape, "Build a lip with clear tape, no kinks", "Narrow strips on tight curves, each half over the last, pressed on below, standing above the finished line.", 8,
            "No kinks: each one makes a vein to sand.", draws: ["lip"]);
        var ml = list.View.Outline.AreaMm2 * ((missing / 2) + ProudMm) / 1000;
        var need = new Worked(ml + (Mixes.CupLossMl / 2), "mL", new Derivation("Area × (half of what is gone, a wedge, and the proud part) + what stays on the stick", Source.Published("Solid geometry, textbook"),
            [new("Area", list.View.Outline.AreaMm2 / 100, "cm²"), new("Gone", missing, "mm"), new("Proud", ProudMm, "mm")]));
        list.Add(Mixes.Mix(inputs, new MixOrder("fill", "Mix just enough", "slowly, without bubbles", need, 4, null, false)));
        list.Do("fill", Stage.Apply, "Fill it, close the tape over, push the bulge to the tip", "Just enough; close the tape from the sound end and push the bulge towards the tip; a pin lets the air out.", 5,
            "Overnight, better two days.", Waits.Sandable(list.View, list.Main, "fill-mix"), [.. list.Main.Hazards], ["fill"], follows: true);
        list.Do("untape", Stage.Finish, "Tape off, look: low or bubbled, again", "Low or bubbled: scuff and fill again. Else sand wet, P240 then P400, to the line.", 10, "Sand carbon wet.", Waits.Loadable(list.View, list.Main, "fill-mix"), ["carbon-dust", "resin-dust"], ["finish"]);
        list.Prove("fingernail").Prove("tap");
        var half = list.HalfMm();
        list.Section("fill", MarkKind.Fill, true, "fill", (-half, 0), (-half, -ProudMm), (half, -ProudMm), (half, Math.Min(missing * 0.6, list.Damage.DepthMm)), (0, Math.Min(missing, list.Damage.DepthMm)))
            .Section("lip", MarkKind.Tape, false, "taped lip", (half + 1, list.Damage.DepthMm), (half + 1, -ProudMm - 1.5), (-half, -ProudMm - 1.5));
        return list.End(list.View.Outline, list.View.Outline.Grown(8));
    }
}
