using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A torn latex seal: cut off, and a new one cemented on over a former.</summary>
internal sealed class SealReplacement : MendMethod
{
    public override string Id => "seal-replacement";

    public override string Name => "Cement a new seal on";

    public override string Why => "Torn latex tears on: the seal is replaced, not patched.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["former"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.SealTorn];

    public override bool Takes(Material material) => material is { Role: Role.Cement, Chemistry: "polychloroprene" };

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Dry();
        var around = job.Figure("seal.round", "Bond round the collar", () => Mm(Math.Max(job.Hurt.Length.Mm, 180)), "Circumference of the collar: measure yours", Source.FromMemory("Usual wrist; a neck is twice that"));
        var overlap = job.Figure("seal.overlap", "Overlap on the collar", Mm(25), "Width of the bond", Source.FromMemory("Overlap"), 1);
        job.Do("former", Stage.Prepare, "Stretch the cuff over a former", "A round former that just fits, so that cuff and seal lie without a wrinkle.", 5, "No wrinkle on the former: a wrinkle is a leak.", draws: ["former"]);
        job.Do("cut-off", Stage.Shape, "Cut the old seal off, leave its collar", "Leave the collar that is glued to the suit if it is sound; else peel it warm.", 6, "Do not cut the suit.", cautions: ["blades"], draws: ["cut"]);
        job.Scuff("P150", "collar and the new seal's root", 4).Clean();
        job.Coats(job.Figures.Work("seal.area", "One face of the bond", () => Cm2(around.Mm * overlap.Mm / 100), "Round × overlap", Source.Arithmetic, 1), "collar and seal");
        job.Takes(job.View.Catalogue.Materials["latex-seal"]);
        job.Do("fit", Stage.Apply, "Slip it on, roll it down at tack", $"Powder the free part, slip it over the former, line up the marks, roll the overlap of {overlap} down from the suit outwards, press all round.", 6,
            "Check left and right, inside and out, before it touches.", job.Loadable(job.Label, null), [.. job.Main.Hazards], ["seal"]);
        job.Do("powder", Stage.Finish, "Powder it with talc", "Latex sticks to itself; keep it from sun and oil.", 2, "Look at the other seals: they are as old.");
        job.Prove("inside-wet").Prove("flex");
        job.Draw(sketch => sketch
            .Section("seal", MarkKind.Patch, true, "new seal", (-overlap.Mm / 2, 0), (60, 0), (60, -0.7), (-overlap.Mm / 2, -0.7))
            .Section("former", MarkKind.Clamp, true, "former", (-60, 3), (70, 3), (70, 5), (-60, 5)));
        return job.End(job.Hurt, job.Around(6));
    }
}
