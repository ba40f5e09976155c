using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>Pinholes, worn places and seams of waders and suits sealed with a film of urethane, rubbed in and scraped thin.</summary>
public sealed class UrethaneDab : MendMethod
{
    /// <summary>Film in millimetres. From memory.</summary>
    public const double FilmMm = 0.5;

    /// <summary>Margin past the find in millimetres. From memory.</summary>
    public const double MarginMm = 6;

    public override string Id => "urethane-dab";

    public override string Name => "Seal it with urethane";

    public override string Why => "A film that stretches, on the inside where nothing wears it.";

    public override int Skill => 1;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Pinholes, DamageKind.WornAway, DamageKind.SeamOpen];

    public override bool Takes(Material material) => material is { Role: Role.Sealant };

    protected override string? Unfit(CaseView view) => view.Construction.Family == GearFamily.WadersAndSuits ? null : "It is for waders and suits.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find().Dry();
        var spots = list.Figure("find.count", "Finds", Math.Max(1, list.Damage.Finds?.Count ?? 1), "", "Finds kept so far, at least this one", Source.Arithmetic);
        list.Do("ring", Stage.Prepare, "Ring every find with a pencil", "On the inside, a finger's width round it.", 3, "Ring them all before the tube is open.", draws: ["key"]);
        list.Clean();
        var area = list.View.Outline.Grown(MarginMm).AreaMm2 * spots;
        list.Figure("dab.need", "Urethane", area * FilmMm / 1000 * list.Main.DensityGPerMl!.Value, "g", "Area of all rings × film × density", Source.FromMemory("Film"), [new("Area", area / 100, "cm²"), new("Film", FilmMm, "mm"), new("Finds", spots, "")], 2);
        list.Do("dab", Stage.Apply, "Dab, rub in, scrape thin", "A dab on each ring, rubbed in with a gloved finger, scraped thin past the line, hung so that nothing touches it.", 3 + (2 * spots),
            "Cap the tube and squeeze the air out; store it frozen.", Waits.LoadableThrough(list.View, list.Main, null, FilmMm), [.. list.Main.Hazards], ["dab"]);
        list.Prove("alcohol").Prove("flex");
        list.Section("dab", MarkKind.Glue, true, "urethane inside", (-list.HalfMm() - MarginMm, list.View.Reach.Layers[0].Layer.ThicknessMm), (list.HalfMm() + MarginMm, list.View.Reach.Layers[0].Layer.ThicknessMm),
            (list.HalfMm(), list.View.Reach.Layers[0].Layer.ThicknessMm + 0.3), (-list.HalfMm(), list.View.Reach.Layers[0].Layer.ThicknessMm + 0.3));
        return list.End(list.View.Outline, list.View.Outline.Grown(MarginMm));
    }
}
