using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A sole, heel or midsole parting: pulled off as far as it is weak, scuffed, glued with urethane, bound and clamped for a day.</summary>
public sealed class SoleBond : MendMethod
{
    /// <summary>Glue film in millimetres. From memory.</summary>
    public const double FilmMm = 0.8;

    public override string Id => "sole-bond";

    public override string Name => "Glue and bind the sole";

    public override string Why => "Urethane fills the gap and bends with the step.";

    public override int Skill => 1;

    public override IReadOnlyList<string> Needs => ["rubber-bands"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.SoleParted, DamageKind.Parted];

    public override bool Takes(Material material) => material is { Chemistry: "urethane", Role: Role.Sealant };

    protected override string? Unfit(CaseView view) => view.Construction.Family == GearFamily.Footwear ? null : "It is for footwear.";

    /// <summary>The faces that part: the outermost layer and the one under it.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => [.. view.Reach.Layers.Take(2)];

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Dry();
        list.Do("pull", Stage.Prepare, "Pull the weak part off", "As far as it comes by hand, so that both faces can be scuffed. A midsole that crumbles in the hand: stop, retire it.", 4,
            "Pull all of the weak part: half-loose glue lets go next week.", draws: ["cut"]);
        list.Scuff("P60", "both faces, brushed first", 5).Clean();
        var grams = list.Figure("glue.need", "Adhesive", list.View.Outline.AreaMm2 * FilmMm / 1000 * list.Main.DensityGPerMl!.Value, "g", "Area × film × density", Source.FromMemory("Film of glue"),
            [new("Area", list.View.Outline.AreaMm2 / 100, "cm²"), new("Film", FilmMm, "mm")], 1);
        list.Do("glue", Stage.Apply, "Urethane on all contact, seat it, bind it", $"About {StepText.G(grams)} on all contact, seat it, rubber bands or a clamp, with sticks to spread the force. Wipe what comes out.", 6,
            "Sticks under the bands: bands alone press a furrow.", Waits.LoadableThrough(list.View, list.Main, null, FilmMm), [.. list.Main.Hazards], ["glue", "bands"]);
        list.Do("unbind", Stage.Finish, "Bands off, trim", "Trim proud urethane with a sharp blade.", 3, "Look at its mate: glue of the same age lets go at the same time.", cautions: ["blades"]);
        list.Prove("edge").Prove("walk");
        var gap = list.View.Reach.Layers[0].Layer.ThicknessMm;
        list.Section("glue", MarkKind.Glue, true, "urethane", (-list.HalfMm(), gap - 0.3), (list.HalfMm(), gap - 0.3), (list.HalfMm(), gap + 0.3), (-list.HalfMm(), gap + 0.3))
            .Section("bands", MarkKind.Clamp, true, "sticks and bands", (-list.HalfMm() * 0.7, -1), (list.HalfMm() * 0.7, -1), (list.HalfMm() * 0.7, -3), (-list.HalfMm() * 0.7, -3));
        return list.End(list.View.Outline, list.View.Outline.Grown(3));
    }
}
