using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A torn latex seal: cut off, and a new one cemented on over a former.</summary>
public sealed class SealReplacement : MendMethod
{
    /// <summary>Overlap of the new seal on the old collar in millimetres. From memory.</summary>
    public const double OverlapMm = 25;

    public override string Id => "seal-replacement";

    public override string Name => "Cement a new seal on";

    public override string Why => "Torn latex tears on: the seal is replaced, not patched.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["former"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.SealTorn];

    public override bool Takes(Material material) => material is { Role: Role.Cement, Chemistry: "polychloroprene" };

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Dry();
        var around = list.Figure("seal.round", "Bond round the collar", Math.Max(list.View.Outline.LengthMm, 180), "mm", "Circumference of the collar: measure yours", Source.FromMemory("Usual wrist; a neck is twice that"));
        list.Figure("seal.overlap", "Overlap on the collar", OverlapMm, "mm", "Width of the bond", Source.FromMemory("Overlap"));
        list.Do("former", Stage.Prepare, "Stretch the cuff over a former", "A round former that just fits, so that cuff and seal lie without a wrinkle.", 5, "No wrinkle on the former: a wrinkle is a leak.", draws: ["former"]);
        list.Do("cut-off", Stage.Shape, "Cut the old seal off, leave its collar", "Leave the collar that is glued to the suit if it is sound; else peel it warm.", 6, "Do not cut the suit.", cautions: ["blades"], draws: ["cut"]);
        list.Scuff("P150", "collar and the new seal's root", 4).Clean();
        list.Coats(around * OverlapMm / 100, "collar and seal");
        list.Do("fit", Stage.Apply, "Slip it on, roll it down at tack", "Powder the free part, slip it over the former, line up the marks, roll the overlap down from the suit outwards, press all round.", 6,
            "Check left and right, inside and out, before it touches.", Waits.Loadable(list.View, list.Main, null), [.. list.Main.Hazards], ["seal"]);
        list.Do("powder", Stage.Finish, "Powder it with talc", "Latex sticks to itself; keep it from sun and oil.", 2, "Look at the other seals: they are as old.");
        list.Prove("inside-wet").Prove("flex");
        list.Section("seal", MarkKind.Patch, true, "new seal", (-OverlapMm / 2, 0), (60, 0), (60, -0.7), (-OverlapMm / 2, -0.7)).Section("former", MarkKind.Clamp, true, "former", (-60, 3), (70, 3), (70, 5), (-60, 5));
        return list.End(list.View.Outline, list.View.Outline.Grown(6));
    }
}
