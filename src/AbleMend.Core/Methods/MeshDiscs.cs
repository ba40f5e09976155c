using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>Self-adhesive discs on mesh: one face for a slit, both faces for a hole, or the glue stands bare in the opening.</summary>
internal sealed class MeshDiscs : MendMethod
{
    /// <summary>Diameter of a disc in millimetres. Common practice: 75 mm (3 in), four to a pack.</summary>
    public const double DiscMm = 75;

    /// <summary>Least margin past the opening in millimetres. From memory.</summary>
    public const double MarginMm = 15;

    public override string Id => "mesh-discs";

    public override string Name => "Self-adhesive mesh discs";

    public override string Why => "No sewing, and the mesh stretches with it.";

    public override int Skill => 1;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Hole, DamageKind.Melt, DamageKind.Tear];

    public override bool Takes(Material material) => material is { Role: Role.SelfAdhesive };

    protected override Message? Unfit(CaseView view) =>
        !OuterIs(view, "mesh") ? "It is for mesh." : Across(view) + (2 * MarginMm) > DiscMm ? (Message)$"Larger than a disc of {Mm(DiscMm)} covers: a panel of mesh is sewn in." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var slit = job.Damage.Kind == DamageKind.Tear;
        var faces = job.Figure("disc.faces", "Faces", Count(slit ? 1 : 2), "A slit: one face. A hole: both faces, or the glue stands bare in the opening", Source.CommonPractice, between: (1, 2));
        var margin = job.Constant("disc.margin", "Margin on each side", Mm(MarginMm), Source.FromMemory("Least margin past the opening"));
        var whole = job.Constant("disc.whole", "Whole disc", Mm(DiscMm), Source.CommonPractice);
        var size = job.Figure("disc.size", "Cut the disc to", () => Mm(Math.Min(whole.Mm, Math.Ceiling((Across(job) + (2 * margin.Mm)) / 5) * 5)), $"Opening and the margin on each side, in steps of {Mm(5)}, at most a whole disc", Source.CommonPractice, 1);
        var inPack = job.Constant("disc.in-pack", "Discs in a pack", Count(4), Source.CommonPractice, (1, 100));
        job.Takes(job.Main, job.Figure("disc.packs", "Packs", () => Count(Math.Ceiling(faces.N / inPack.N)), "Discs ÷ discs in a pack", Source.Arithmetic, between: (1, 100)));
        job.Do("round", Stage.Shape, slit ? "Trim loose threads along the slit" : "Cut melted and loose edges away to a round hole", slit ? "Fine scissors, no loose thread left; do not widen it." : "Fine scissors, no loose thread left. Melted edges are hard and cut the mesh again: cut them off.", 4,
            slit ? "Lay the slit shut before the disc goes on: edge to edge." : "Cut melted edges off: they saw through the patch.", cautions: ["blades"], draws: ["cut"]);
        Wipe(job.AboveDew());
        Message turn = faces.N > 1 ? " Turn it, the second disc exactly over the first." : Message.Empty;
        job.Do("lay", Stage.Apply, faces.N > 1 ? "Lay the first disc from one edge, then the second on the other face" : "Lay the disc from one edge",
            $"Cut to {size} across, corners round. Peel half the backing, lay from one edge, pull the mesh tight and flat, lay on, rub in circles.{turn}", 4,
            faces.N > 1 ? "Both faces: else the glue stands bare and picks up the next thing that touches it." : "Pull it tight: a wrinkle under a disc stays.",
            job.Loadable(job.Label, null), draws: faces.N > 1 ? ["disc-outside", "disc-inside"] : ["disc-outside"]);
        job.Prove("edge").Prove("flex");
        job.Draw(sketch => Discs(sketch, size.Mm / 2, faces.N > 1));
        return job.End(job.Hurt, job.Hurt.Grown("disc", "Disc", job.Derive(() => Math.Max((size.Mm - Across(job)) / 2, 0))));
    }

    private static void Wipe(Job job)
    {
        var air = job.Figure("clean.air", "Air it for", WallMin(1.5), "A minute or two in the open", Source.CommonPractice, 1);
        var stand = job.Constant("clean.stand", "A clean face may stand open", WallMin(60), Source.FromMemory("How long a cleaned face may stand open before it is wiped again"));
        job.Do("clean", Stage.Prepare, "Alcohol on both faces, air it", "Wipe both faces round the opening, let it air.", 2, "Skin grease and repellent: what feels clean is not.",
            job.Flash(air, stand, "Is it dry?", "Wipe it again.", 45), ["no-flame"]);
    }

    private static double Across(Job job) => Math.Max(job.Hurt.Length.Mm, job.Hurt.Width.Mm);

    private static double Across(CaseView view) => Math.Max(view.Outline.LengthMm, view.Outline.WidthMm);

    private static void Discs(Sketch sketch, double radius, bool both)
    {
        Span<(double X, double Y)> ring = stackalloc (double, double)[36];
        for (var i = 0; i < ring.Length; i++)
        {
            ring[i] = (radius * Math.Cos(i * Math.PI / 18), radius * Math.Sin(i * Math.PI / 18));
        }

        sketch.Patch("disc-outside", radius, 0.3, "disc").Above("disc-outside", MarkKind.Patch, true, "disc", ring);
        if (both)
        {
            sketch.Patch("disc-inside", radius, 0.3, "disc inside", 0.25);
        }
    }
}
