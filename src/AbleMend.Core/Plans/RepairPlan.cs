using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Patching;
using AbleMend.Core.Safety;
using AbleMend.Core.Triage;

namespace AbleMend.Core.Plans;

/// <summary>A layer as the section shows it.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What the bench calls it.</param>
/// <param name="Texture">How it is drawn.</param>
/// <param name="TopMm">Depth of its outer face in millimetres.</param>
/// <param name="ThicknessMm">Thickness in millimetres.</param>
/// <param name="DepthIntoMm">How far the damage goes into it in millimetres.</param>
public sealed record SectionLayer(string Id, string Name, Texture Texture, double TopMm, double ThicknessMm, double DepthIntoMm);

/// <summary>What the work does in the section, in millimetres from the middle and from the surface; 0 where it does not happen.</summary>
/// <param name="CutHalfWidthMm">Half the width cut away at the surface.</param>
/// <param name="CutDepthMm">Depth cut away.</param>
/// <param name="FeatherMm">Width of the sanded slope beyond the cut.</param>
/// <param name="KeyHalfWidthMm">Half the width of the keyed area.</param>
/// <param name="FillMm">Depth of filler.</param>
/// <param name="ProudMm">How far the fill stands proud before it is cut back.</param>
/// <param name="CoatMm">Thickness of the sanding coat.</param>
/// <param name="FilmHalfWidthMm">Half the width of the film.</param>
/// <param name="PlyMm">Thickness of one ply of cloth.</param>
public sealed record WorkProfile(
    double CutHalfWidthMm,
    double CutDepthMm,
    double FeatherMm,
    double KeyHalfWidthMm,
    double FillMm,
    double ProudMm,
    double CoatMm,
    double FilmHalfWidthMm,
    double PlyMm
);

/// <summary>The picture that every mend has: section and plan view, as data.</summary>
/// <param name="Layers">Layers, outside in.</param>
/// <param name="DepthMm">Depth of the damage.</param>
/// <param name="HalfWidthMm">Half the width of the damage in the plane of the section.</param>
/// <param name="Outline">Outline of the damage from above.</param>
/// <param name="CutOutline">Outline that is cut away; empty before there is a method.</param>
/// <param name="KeyOutline">Outline that is keyed and taped; empty before there is a method.</param>
/// <param name="Work">What the work does in the section; null before there is a method.</param>
public sealed record Drawing(
    IReadOnlyList<SectionLayer> Layers,
    double DepthMm,
    double HalfWidthMm,
    IReadOnlyList<IReadOnlyList<PointMm>> Outline,
    IReadOnlyList<IReadOnlyList<PointMm>> CutOutline,
    IReadOnlyList<IReadOnlyList<PointMm>> KeyOutline,
    WorkProfile? Work
);

/// <summary>Materials and method of a plan.</summary>
/// <param name="Method">Identifier of the method.</param>
/// <param name="MethodName">Its name.</param>
/// <param name="Resin">Identifier of the resin.</param>
/// <param name="ResinName">Its name.</param>
/// <param name="Cloth">Identifier of the cloth.</param>
/// <param name="Filler">Identifier of the filler.</param>
/// <param name="Cleaner">Identifier of the cleaner.</param>
/// <param name="Permanence">How long it is meant to hold.</param>
public sealed record PlannedSystem(
    string Method, string MethodName, string Resin, string ResinName, string Cloth, string Filler, string Cleaner, Permanence Permanence);

/// <summary>Something that the plan wants known: a wait that never ends, a gap in the drawer, a window that nobody is there for.</summary>
/// <param name="Code">Stable code.</param>
/// <param name="Text">What and what to do.</param>
/// <param name="StepId">Step that it concerns, or null.</param>
public sealed record Warning(string Code, string Text, string? StepId);

/// <summary>A plan: the same case and catalogue give the same plan.</summary>
/// <param name="Format">Always <see cref="CurrentFormat"/>.</param>
/// <param name="Catalogue">Version of the catalogue.</param>
/// <param name="StartAt">When work begins.</param>
/// <param name="ReadyAt">When it may go into the water; null when it is not mended here or never gets there.</param>
/// <param name="FullCureAt">When it has its full properties.</param>
/// <param name="Verdict">What to do with the item.</param>
/// <param name="Candidates">Systems, best first; the vetoed stay, last.</param>
/// <param name="System">The system that is planned; null when it is not mended here.</param>
/// <param name="Drawing">The picture.</param>
/// <param name="Steps">Steps in order.</param>
/// <param name="Figures">Every figure with its derivation.</param>
/// <param name="Patches">Patches in the order in which they are laid.</param>
/// <param name="Timeline">Steps in clock time.</param>
/// <param name="Cautions">Cautions that apply.</param>
/// <param name="Warnings">What the plan wants known.</param>
/// <param name="ProperRepairBy">For a mend for now: when the proper repair is due.</param>
public sealed record RepairPlan(
    string Format,
    string Catalogue,
    DateTimeOffset StartAt,
    DateTimeOffset? ReadyAt,
    DateTimeOffset? FullCureAt,
    Verdict Verdict,
    IReadOnlyList<Candidate> Candidates,
    PlannedSystem? System,
    Drawing Drawing,
    IReadOnlyList<PlanStep> Steps,
    IReadOnlyList<Figure> Figures,
    IReadOnlyList<Patch> Patches,
    IReadOnlyList<TimedStep> Timeline,
    IReadOnlyList<Caution> Cautions,
    IReadOnlyList<Warning> Warnings,
    DateTimeOffset? ProperRepairBy
)
{
    /// <summary>Name and version of the format.</summary>
    public const string CurrentFormat = "able-mend/plan/1";
}
