using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A slice in a soft skin closed with hot-melt glue: quick, and it lets go in heat.</summary>
internal sealed class HotMeltSlice : MendMethod
{
    public override string Id => "hot-melt-slice";

    public override string Name => "Hot-melt glue";

    public override string Why => "Ten minutes from gun to water, and it needs no sun.";

    public override int Skill => 1;

    public override int Tidiness => 2;

    public override IReadOnlyList<string> Needs => ["hot-melt-gun"];

    public override IReadOnlyList<string> Schools => ["soft-board"];

    public override ProperRepair? Proper { get; } = new("Take it out warm and fill it with epoxy-safe UV resin", 60);

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.WaterInside, DamageKind.Slice];

    public override bool Takes(Material material) => material.Chemistry == "hot-melt";

    protected override Message? Unfit(CaseView view) => OuterIs(view, "soft-skin") ? null : "It is for soft boards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        _ = job.Damage.Kind == DamageKind.WaterInside ? job.Find().DryByWeight() : job.Dry();
        job.Do("lever", Stage.Prepare, "Pick it clean, lever the skin back up", "Pick out sand, lever the pushed-in skin up until the edges meet.", 5,
            "No core showing.", cautions: ["blades"], draws: ["cut"]);
        job.Scuff("P80", "the lips of the slice", 3).Clean();
        var inGun = job.Constant("melt.in-gun", "Stays in the gun", Grams(2), Source.FromMemory("What stays in the gun"));
        var grams = job.Figure("melt.need", "Glue", () => Grams((job.Hurt.Area.Cm2 * job.Depth.Mm / 20 * job.Label.Density.GPerMl) + inGun.G),
            "Half the slit's area × depth × density, and what stays in the gun", Source.Arithmetic, 1);
        job.Takes(job.Main, grams);
        job.Do("melt", Stage.Apply, "Run a bead into the slice, press the lips shut",
            $"About {grams}: tip deep in the slice, draw it along, press the lips together with a waxed stick, wipe proud glue flat while it is soft.", 4,
            "Heat the core no longer than the bead takes: foam shrinks from a hot tip.", job.Cooled(job.Label), [.. job.Main.Hazards], ["fill"]);
        job.Do("trim", Stage.Finish, "Trim it flush with a warm blade", "Flat blade along the skin, one stroke.", 2, "Do not sand hot melt: it smears.", cautions: ["blades"],
            wait: job.Loadable(job.Label, "melt"), draws: ["finish"]);
        job.Prove("edge").Prove("float");
        job.Draw(sketch => sketch.Section("fill", MarkKind.Fill, true, null, (-job.HalfMm(), 0), (0, job.Depth.Mm), (job.HalfMm(), 0)));
        return job.End(job.Hurt, job.Around(4));
    }
}
