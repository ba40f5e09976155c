using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A pinhole in printed vinyl: the print comes off only where the patch will sit, and the patch covers all that was cleaned.</summary>
public sealed class PrintedVinylPatch : MendMethod
{
    /// <summary>Margin of the cleaned spot past the hole in millimetres. From memory of thin vinyl at low pressure.</summary>
    public const double CleanMarginMm = 12;

    /// <summary>How much larger the patch is than the cleaned spot, in millimetres. Common practice: as large or a little larger, so that no white rim shows.</summary>
    public const double OverMm = 1;

    public override string Id => "printed-vinyl-patch";

    public override string Name => "Take the print off, glue a clear patch";

    public override string Why => "Glue holds on vinyl, not on print: what is glued to print peels with it.";

    public override int Skill => 1;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Puncture];

    public override bool Takes(Material material) => material.Chemistry == "vinyl";

    protected override string? Unfit(CaseView view) => OuterIs(view, "printed") ? null : "There is no print to take off.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Find().Deflate();
        var margin = list.Margin(CleanMarginMm + OverMm, "The spot that loses its print and a little more, so that no white rim shows");
        var patch = list.CutPatch(margin, "Round, from clear vinyl. Lay it dry and draw round it.", 3);
        list.Do("print", Stage.Prepare, "Pure acetone on a swab: take the print off inside the line",
            "A swab at a time, from the middle to just short of the line, until the vinyl is bare and nothing colours the swab. Not nail-polish remover: it leaves oil or gel.", 8,
            "Only where the patch will sit: a white rim shows for ever.", cautions: ["gloves", "solvent", "no-flame"], draws: ["key"],
            wait: new StepWait(WaitKind.Flash, 2, 60, null, new Curing.CureClock(20, 31, -20), "Is it dry, with no cold feel?", 2, "Wipe it once more."));
        list.Coats(patch.AreaCm2, "the whole patch, thin");
        list.Do("place", Stage.Apply, "Place it once, press, let it dry flat", "One edge down, roll it on without air, press under a smooth weight.", 4, "Place it once.", Waits.Loadable(list.View, list.Main, null), [.. list.Main.Hazards], ["patch", "patch-1"]);
        list.Do("inflate", Stage.Prove, "Inflate it gently", "By mouth or foot pump, no harder than it was. Look at the edges.", 4, "Gently: thin vinyl stretches before it lets go.", cautions: ["pressure"]);
        list.Prove("soap").Prove("edge");
        list.DrawPatch("patch", patch.LengthMm / 2, 0.3, "clear patch");
        return list.End(list.View.Outline, list.View.Outline.Grown(CleanMarginMm), [patch]);
    }
}
