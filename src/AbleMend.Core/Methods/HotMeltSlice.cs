using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A slice in a soft skin closed with hot-melt glue: quick, and it lets go in heat.</summary>
public sealed class HotMeltSlice : MendMethod
{
    public override string Id => "hot-melt-slice";

    public override string Name => "Hot-melt glue";

    public override string Why => "Ten minutes from gun to water, and it needs no sun.";

    public override int Skill => 1;

    public override int Tidiness => 2;

    public override IReadOnlyList<string> Needs => ["hot-melt-gun"];

    public override IReadOnlyList<string> Schools => ["soft-board"];

    public override ProperRepair? Proper { get; } = new("Take it out warm and fill it with epoxy-safe UV resin", 60);

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Slice];

    public override bool Takes(Material material) => material.Chemistry == "hot-melt";

    protected override string? Unfit(CaseView view) => OuterIs(view, "soft-skin") ? null : "It is for soft boards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Dry();
        list.Do("lever", Stage.Prepare, "Pick it clean, lever the skin back up", "Pick out sand, lever the pushed-in skin up until the edges meet.", 5,
            "No core may show.", cautions: ["blades"], draws: ["cut"]);
        list.Scuff("P80", "the lips of the slice", 3).Clean();
        var grams = list.Figure("melt.need", "Glue", (list.View.Outline.AreaMm2 * list.Damage.DepthMm / 2000 * list.Main.DensityGPerMl!.Value) + 2, "g",
            "Half the slit's area × depth × density, and what stays in the gun", Source.FromMemory("Loss; solid geometry"),
            [new("Slit", list.View.Outline.AreaMm2 / 100, "cm²"), new("Depth", list.Damage.DepthMm, "mm")], 1);
        list.Do("melt", Stage.Apply, "Run a bead into the slice, press the lips shut",
            $"About {StepText.G(grams)}: tip deep in the slice, draw it along, press the lips together with a waxed stick, wipe proud glue flat while it is soft.", 4,
            "Heat the core no longer than the bead takes: foam shrinks from a hot tip.", Waits.Cooled(list.View, list.Main), [.. list.Main.Hazards], ["fill"]);
        list.Do("trim", Stage.Finish, "Trim it flush with a warm blade", "Flat blade along the skin, one stroke.", 2, "Do not sand hot melt: it smears.", cautions: ["blades"],
            wait: Waits.Loadable(list.View, list.Main, "melt"), draws: ["finish"]);
        list.Prove("edge").Prove("float");
        return list.Section("fill", MarkKind.Fill, true, null, (-list.HalfMm(), 0), (0, list.Damage.DepthMm), (list.HalfMm(), 0)).End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
