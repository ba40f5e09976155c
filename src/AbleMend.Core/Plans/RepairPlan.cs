using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.HandingBack;
using AbleMend.Core.Matching;
using AbleMend.Core.Methods;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Safety;
using AbleMend.Core.Timing;
using AbleMend.Core.Triage;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>A layer as the section shows it.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What the bench calls it.</param>
/// <param name="Texture">How it is drawn.</param>
/// <param name="TopMm">Depth of its outer face in millimetres.</param>
/// <param name="ThicknessMm">Thickness in millimetres.</param>
/// <param name="DepthIntoMm">How far the damage goes into it in millimetres.</param>
public sealed record SectionLayer(string Id, Message Name, Texture Texture, double TopMm, double ThicknessMm, double DepthIntoMm);

/// <summary>A question on which practitioners disagree, with what this plan took.</summary>
/// <param name="Id">Identifier of the question.</param>
/// <param name="Option">Identifier of the option taken.</param>
/// <param name="Why">Why the default is the default, or that it was chosen.</param>
public sealed record TakenSchool(string Id, string Option, Message Why);

/// <summary>The picture that every mend has: section and plan view, as data.</summary>
/// <param name="Layers">Layers, outside in.</param>
/// <param name="DepthMm">Depth of the damage.</param>
/// <param name="HalfWidthMm">Half the width of the damage in the plane of the section.</param>
/// <param name="Outline">Outline of the damage from above.</param>
/// <param name="CutOutline">Outline that is cut away; empty before there is a method.</param>
/// <param name="KeyOutline">Outline that is keyed and taped; empty before there is a method.</param>
/// <param name="Work">What the work does in the section of a laminate; null before there is a method, or where it does nothing of the kind.</param>
/// <param name="Marks">What the method adds besides, in the section and from above.</param>
/// <param name="Leads">The picture that tells: the section of what has layers, the view from above of cloth, mesh, rubber and skins.</param>
public sealed record Drawing(
    IReadOnlyList<SectionLayer> Layers,
    double DepthMm,
    double HalfWidthMm,
    IReadOnlyList<IReadOnlyList<PointMm>> Outline,
    IReadOnlyList<IReadOnlyList<PointMm>> CutOutline,
    IReadOnlyList<IReadOnlyList<PointMm>> KeyOutline,
    WorkProfile? Work,
    IReadOnlyList<DrawnMark> Marks,
    MarkView Leads = MarkView.Section
);

/// <summary>Materials and method of a plan.</summary>
/// <param name="Method">Identifier of the method.</param>
/// <param name="MethodName">Its name.</param>
/// <param name="Material">Identifier of the main material, the one that holds.</param>
/// <param name="MaterialName">Its name.</param>
/// <param name="Cloth">Identifier of the cloth.</param>
/// <param name="Filler">Identifier of the filler.</param>
/// <param name="Cleaner">Identifier of the cleaner.</param>
/// <param name="Permanence">How long it is meant to hold.</param>
/// <param name="Patch">Identifier of the stock that patches are cut from; null where none are.</param>
public sealed record PlannedSystem(
    string Method, Message MethodName, string Material, Message MaterialName, string Cloth, string Filler, string Cleaner, Permanence Permanence, string? Patch);

/// <summary>What is planned for one damage of the item.</summary>
/// <param name="Number">Which of the case's damages it is, from 1.</param>
/// <param name="Verdict">What to do with the item as far as this damage says.</param>
/// <param name="Candidates">Systems, best first; the vetoed stay, last.</param>
/// <param name="System">The system that is planned; null when the item is not mended here.</param>
/// <param name="Drawing">The picture.</param>
/// <param name="Patches">Its patches in the order in which they are laid.</param>
/// <param name="Schools">Questions on which practitioners disagree that its method asks, with what was taken.</param>
/// <param name="ProperRepair">For a mend for now: what the proper repair is.</param>
/// <param name="Aftercare">What to watch once it is back in use, and when to look again; null when it is not mended here.</param>
/// <param name="LastCure">The cure that its full properties wait for; null where nothing is applied.</param>
public sealed record PlannedDamage(
    int Number,
    Verdict Verdict,
    IReadOnlyList<Candidate> Candidates,
    PlannedSystem? System,
    Drawing Drawing,
    IReadOnlyList<Patch> Patches,
    IReadOnlyList<TakenSchool> Schools,
    Message? ProperRepair = null,
    Aftercare? Aftercare = null,
    LastCure? LastCure = null);

/// <summary>The cure that ends last, so that a run can say when it ends as it now looks.</summary>
/// <param name="StepId">Step with whose start it begins.</param>
/// <param name="FullMin">Minutes at the clock's reference until full properties, above 0.</param>
/// <param name="Clock">How it runs with temperature.</param>
public sealed record LastCure(string StepId, CureTime FullMin, CureClock Clock);

/// <summary>A plan: the same case and catalogue give the same plan.</summary>
/// <param name="Format">Always <see cref="CurrentFormat"/>.</param>
/// <param name="Catalogue">Version of the catalogue.</param>
/// <param name="StartAt">When work begins.</param>
/// <param name="ReadyAt">When it may go back into use, tested; null when it is not mended here or never gets there.</param>
/// <param name="FullCureAt">When it has its full properties.</param>
/// <param name="Verdict">What to do with the item: what the gravest of its damages asks for.</param>
/// <param name="Damages">What is planned for each damage, in the order of the case. Identifiers of the first damage stand as they are, those of the second begin with <c>2:</c>, and so on.</param>
/// <param name="Steps">Steps of all damages, in the order in which hands come to them.</param>
/// <param name="Figures">Every figure that a step shows, and all that those rest on, down to the facts of the case and the labels.</param>
/// <param name="Timeline">Steps in clock time.</param>
/// <param name="Cautions">Cautions that apply.</param>
/// <param name="Warnings">What the plan wants known.</param>
/// <param name="ProperRepairBy">Where something is mended for now: when the first proper repair is due.</param>
/// <param name="Placements">Where the patches lie on the offcuts at hand; those that find no room are cut from the roll.</param>
/// <param name="Leaves">What is left of those offcuts and worth keeping.</param>
public sealed record RepairPlan(
    string Format,
    string Catalogue,
    DateTimeOffset StartAt,
    DateTimeOffset? ReadyAt,
    DateTimeOffset? FullCureAt,
    Verdict Verdict,
    IReadOnlyList<PlannedDamage> Damages,
    IReadOnlyList<PlanStep> Steps,
    IReadOnlyList<Figure> Figures,
    IReadOnlyList<TimedStep> Timeline,
    IReadOnlyList<Caution> Cautions,
    IReadOnlyList<Warning> Warnings,
    DateTimeOffset? ProperRepairBy,
    IReadOnlyList<Placement>? Placements = null,
    IReadOnlyList<PieceLeft>? Leaves = null
)
{
    /// <summary>Name and version of the format.</summary>
    public const string CurrentFormat = "able-mend/plan/3";
}
