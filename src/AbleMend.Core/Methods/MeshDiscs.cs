using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>Self-adhesive discs on mesh: one face for a slit, both faces for a hole, or the glue stands bare in the opening.</summary>
public sealed class MeshDiscs : MendMethod
{
    /// <summary>Diameter of a disc in millimetres. Common practice: 75 mm (3 in), four to a pack.</summary>
    public const double DiscMm = 75;

    /// <summary>Discs in a pack. Common practice.</summary>
    public const int InPack = 4;

    /// <summary>Least margin past the opening in millimetres. From memory.</summary>
    public const double MarginMm = 15;

    public override string Id => "mesh-discs";

    public override string Name => "Self-adhesive mesh discs";

    public override string Why => "No sewing, and the mesh stretches with it.";

    public override int Skill => 1;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Hole, DamageKind.Melt, DamageKind.Tear];

    public override bool Takes(Material material) => material is { Role: Role.SelfAdhesive };

    protected override string? Unfit(CaseView view) =>
        !OuterIs(view, "mesh") ? "It is for mesh." : Across(view) + (2 * MarginMm) > DiscMm ? $"Larger than a disc of {DiscMm:0} mm covers: a panel of mesh is sewn in." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var slit = list.Damage.Kind == DamageKind.Tear;
        var faces = list.Figure("disc.faces", "Faces", slit ? 1 : 2, "", "A slit: one face. A hole: both faces, or the glue stands bare in the opening", Source.CommonPractice);
        var size = Math.Min(DiscMm, Math.Ceiling((Across(list.View) + (2 * MarginMm)) / 5) * 5);
        list.Figure("disc.size", "Cut the disc to", size, "mm", "Opening and the margin on each side, in steps of 5 mm, at most a whole disc", Source.CommonPractice, [new("Opening", Across(list.View), "mm"), new("Margin", MarginMm, "mm"), new("Whole disc", DiscMm, "mm")]);
        list.Figure("disc.packs", "Packs", Math.Ceiling(faces / InPack), "", "Discs ÷ four to a pack", Source.CommonPractice, [new("Discs", faces, "")]);
        list.Do("round", Stage.Shape, slit ? "Trim loose threads along the slit" : "Cut melted and loose edges away to a round hole", slit ? "Fine scissors, no loose thread left; do not widen it." : "Fine scissors, no loose thread left. Melted edges are hard and cut the mesh again: cut them off.", 4,
            slit ? "Lay the slit shut before the disc goes on: edge to edge." : "Cut melted edges off: they saw through the patch.", cautions: ["blades"], draws: ["cut"]);
        list.Do("clean", Stage.Prepare, "Alcohol on both faces, air it", "Wipe both faces round the opening, let it air.", 2, "Skin grease and repellent: what feels clean is not.",
            new StepWait(WaitKind.Flash, 1.5, 60, null, new Curing.CureClock(20, 45, -20), "Is it dry?", 1, "Wipe it again."), ["no-flame"]);
        list.Do("lay", Stage.Apply, faces > 1 ? "Lay the first disc from one edge, then the second on the other face" : "Lay the disc from one edge",
            $"Peel half the backing, lay from one edge, pull the mesh tight and flat, lay on, rub in circles.{(faces > 1 ? " Turn it, the second disc exactly over the first." : "")}", 4,
            faces > 1 ? "Both faces: else the glue stands bare and picks up the next thing that touches it." : "Pull it tight: a wrinkle under a disc stays.",
            Waits.Loadable(list.View, list.Main, null), draws: faces > 1 ? ["disc-outside", "disc-inside"] : ["disc-outside"]);
        list.Prove("edge").Prove("flex");
        list.DrawPatch("disc-outside", size / 2, 0.3, "disc").DrawPatch("disc-inside", size / 2, 0.3, "disc inside", 0.25);
        Circle(list, size / 2);
        return list.End(list.View.Outline, list.View.Outline.Grown((size - Across(list.View)) / 2));
    }

    private static double Across(CaseView view) => Math.Max(view.Outline.LengthMm, view.Outline.WidthMm);

    private static void Circle(StepList list, double radius)
    {
        Span<(double X, double Y)> ring = stackalloc (double, double)[36];
        for (var i = 0; i < ring.Length; i++)
        {
            ring[i] = (radius * Math.Cos(i * Math.PI / 18), radius * Math.Sin(i * Math.PI / 18));
        }

        list.Above("disc-outside", MarkKind.Patch, true, "disc", ring);
    }
}
