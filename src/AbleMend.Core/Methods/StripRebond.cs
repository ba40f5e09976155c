using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A rubbing strip that lifts, stuck down for now with a contact cement; the proper cement waits for the shop.</summary>
internal sealed class StripRebond : MendMethod
{
    public override string Id => "strip-rebond";

    public override string Name => "Stick the strip down for now";

    public override string Why => "Holds for months in the middle of a season; the proper adhesive needs days.";

    public override int Skill => 1;

    public override int Tidiness => 2;

    public override ProperRepair? Proper { get; } = new("Replace the strip with two-part cement in the shop: 24 h, 48 h, then 6 days", 120);

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.StripLifted];

    public override bool Takes(Material material) => material.Role == Role.Cement;

    protected override Message? Unfit(CaseView view) => view.Location.Has("airtight") ? "Never on anything that holds air." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Dry().Scuff("P100", "strip and tube", 6).TraceAndMask("the strip").Clean();
        job.Coats(job.Hurt.Area, "strip and tube");
        job.Do("press", Stage.Apply, "Tack dry, press together", "Pull the masking tape. From the fixed end outwards, without a bubble, then roll hard. A strip of tape over the end while it takes: take it off before the test.", 5,
            "Petroleum jelly on the cap keeps the tube usable.", job.Loadable(job.Label, null), [.. job.Main.Hazards], ["lap"]);
        job.Prove("edge").Prove("thumb");
        job.DrawLap(job.Figures.Work("strip.drawn", "Strip in the section", () => Mm(Math.Min(job.Hurt.Width.Mm, 60)), "Width of the strip", Source.Arithmetic));
        return job.End(job.Hurt, job.Around(4));
    }
}
