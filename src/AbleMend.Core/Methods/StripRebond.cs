using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A rubbing strip that lifts, stuck down for now with a contact cement; the proper cement waits for the shop.</summary>
public sealed class StripRebond : MendMethod
{
    public override string Id => "strip-rebond";

    public override string Name => "Stick the strip down for now";

    public override string Why => "Holds for months in the middle of a season; the proper adhesive needs days.";

    public override int Skill => 1;

    public override int Tidiness => 2;

    public override ProperRepair? Proper { get; } = new("Replace the strip with two-part cement in the shop: 24 h, 48 h, then 6 days", 120);

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.StripLifted];

    public override bool Takes(Material material) => material.Role == Role.Cement;

    protected override string? Unfit(CaseView view) => view.Location.Has("airtight") ? "Never on anything that holds air." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Dry();
        list.Scuff("P100", "strip and tube", 6);
        list.TraceAndMask("the strip").Clean();
        list.Coats(list.View.Outline.AreaMm2 / 100, "strip and tube");
        list.Do("press", Stage.Apply, "Tack dry, press together", "From the fixed end outwards, without a bubble, then roll hard. Tape over the end while it takes.", 5,
            "Petroleum jelly on the cap keeps the tube usable.", Waits.Loadable(list.View, list.Main, null), [.. list.Main.Hazards], ["lap"]);
        list.Prove("edge").Prove("thumb");
        SeamWork.Draw(list, Math.Min(list.View.Outline.WidthMm, 60));
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
