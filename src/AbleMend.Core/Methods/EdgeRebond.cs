using AbleMend.Core.Clamping;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>An edge, sidewall, topsheet or skin that has pulled away, glued back with epoxy under clamps.</summary>
public sealed class EdgeRebond : MendMethod
{
    /// <summary>Widest spacing of the clamps along an edge, in millimetres. From memory.</summary>
    public const double SpacingMm = 50;

    public override string Id => "edge-rebond";

    public override string Name => "Glue it back under clamps";

    public override string Why => "An edge or sheet that is only pulled is as good as before once it is clean, keyed and pressed.";

    public override IReadOnlyList<string> Needs => ["clamps"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.EdgePulled, DamageKind.Parted];

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override string? Unfit(CaseView view) => view.Construction.Family == GearFamily.Skis ? null : "It is for skis and snowboards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var gap = list.Damage.GapMm ?? 1;
        list.Dry();
        list.Do("open", Stage.Prepare, "Open it a little, pick it clean", "Lift it with a thin blade, no further than it comes by itself. Pick out ice, rust and old glue, bevel off rust with a file.", 8,
            "Hot air first: nothing holds on a wet core.", cautions: ["blades"], draws: ["cut"]);
        list.Scuff("P80", "both faces inside the gap", 5).Clean();
        var area = list.View.Outline.AreaMm2;
        var need = new Worked((area * gap / 2000) + Mixes.CupLossMl, "mL", new Derivation("Area × half the gap (it is a wedge) + what stays in the cup", Source.Published("Solid geometry, textbook"), [new("Area", area / 100, "cm²"), new("Gap", gap, "mm")]));
        list.Add(Mixes.Mix(inputs, new MixOrder("glue", "Mix the epoxy", "to fill the gap", need, 6, null, false)));
        var clamps = list.Figure("clamp.count", "Clamps", Clamps.Count(list.View.Outline.LengthMm, SpacingMm), "", "Length ÷ widest spacing, at least two", Source.CommonPractice, [new("Length", list.View.Outline.LengthMm, "mm"), new("Spacing", SpacingMm, "mm")]);
        list.Do("glue", Stage.Apply, "Work it in, film, caul, clamps", $"Wet both faces, work it to the end of the gap, wipe. Release film, a straight caul, {clamps:0} clamps from the middle outwards, until a bead shows all along.", 8,
            "Look along the edge with the clamps on: it stays where it is set.", Waits.Hold(list.View, list.Main, "glue-mix"), [.. list.Main.Hazards], ["glue", "caul"], follows: true);
        list.Do("clean-up", Stage.Finish, "Clamps off, scrape the bead, tune the edge", "Scrape flush, file the edge true with the base.", 8,
            list.View.Construction.Pair ? "Tune the mate's edge to match." : "File towards the tip, never across the base.", Waits.Loadable(list.View, list.Main, "glue-mix"), ["blades"], ["finish"]);
        list.Prove("tap").Prove("fingernail");
        return list.Section("glue", MarkKind.Glue, true, null, (-list.HalfMm(), list.Damage.DepthMm - 0.2), (list.HalfMm(), list.Damage.DepthMm - 0.2), (list.HalfMm(), list.Damage.DepthMm))
            .Section("caul", MarkKind.Clamp, true, "caul", (-list.HalfMm(), -0.5), (list.HalfMm(), -0.5), (list.HalfMm(), -2.5), (-list.HalfMm(), -2.5)).End(list.View.Outline, list.View.Outline.Grown(6));
    }
}
