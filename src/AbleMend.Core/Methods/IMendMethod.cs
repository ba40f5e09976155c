using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

/// <summary>The main material and what goes with it, as chosen for a method.</summary>
/// <param name="Main">The material that holds.</param>
/// <param name="Cloth">Cloth, where the method lays any.</param>
/// <param name="Filler">Filler, where the method takes any.</param>
/// <param name="Cleaner">Cleaner that harms no layer.</param>
/// <param name="Patch">Stock that patches are cut from; null where nothing on the list suits the outer layer.</param>
public sealed record ChosenMaterials(Material Main, Material Cloth, Material Filler, Material Cleaner, Material? Patch);

/// <summary>What a method works with.</summary>
/// <param name="View">The case.</param>
/// <param name="Materials">The materials.</param>
/// <param name="Figures">Where its figures go.</param>
/// <param name="TimingOnly">Whether only the times are asked for, as for ranking: what no time hangs on is then not worked out.</param>
public sealed record MethodInputs(CaseView View, ChosenMaterials Materials, FigureGraph Figures, bool TimingOnly = false);

/// <summary>What a method draws and cuts, once somebody looks.</summary>
/// <param name="Patches">Patches in the order in which they are laid; may be empty.</param>
/// <param name="Profile">What is done in the section of a laminate, or null.</param>
/// <param name="Key">Outline that is keyed and taped.</param>
/// <param name="Cut">Outline that is cut away.</param>
/// <param name="Marks">What else is drawn.</param>
public sealed record Drawn(
    IReadOnlyList<Patch> Patches, WorkProfile? Profile, IReadOnlyList<IReadOnlyList<PointMm>> Key, IReadOnlyList<IReadOnlyList<PointMm>> Cut, IReadOnlyList<DrawnMark> Marks);

/// <summary>What a method makes of a case.</summary>
/// <param name="Steps">Steps in order.</param>
/// <param name="Drawn">What it draws and cuts.</param>
/// <param name="Warnings">What wants to be known.</param>
public sealed record Composition(IReadOnlyList<PlanStep> Steps, Derived<Drawn> Drawn, IReadOnlyList<Warning> Warnings);

/// <summary>The repair that a mend for now puts off.</summary>
/// <param name="What">What it is.</param>
/// <param name="WithinDays">Days after the item is needed.</param>
public sealed record ProperRepair(Message What, int WithinDays);

/// <summary>
/// A way of mending. Each lives in one file: it says whether it fits, and composes calculators into steps.
/// Methods never call one another.
/// </summary>
public interface IMendMethod
{
    /// <value>Identifier.</value>
    string Id { get; }

    /// <value>Name in words of the trade.</value>
    string Name { get; }

    /// <value>Why somebody would choose this school.</value>
    string Why { get; }

    /// <value>How long it is meant to hold.</value>
    Permanence Permanence { get; }

    /// <value>1 forgiving, 2 some practice, 3 demanding.</value>
    int Skill { get; }

    /// <value>How tidy it comes out, 1 to 5.</value>
    int Tidiness { get; }

    /// <value>Identifiers of tools without which it cannot be done.</value>
    IReadOnlyList<string> Needs { get; }

    /// <value>Identifiers of the questions on which practitioners disagree that it asks.</value>
    IReadOnlyList<string> Schools { get; }

    /// <value>For a mend for now: what the proper repair is, and in how many days it is due; null for a mend for good.</value>
    ProperRepair? Proper { get; }

    /// <summary>The layers that the main material touches: it must hold on each and may attack none.</summary>
    IReadOnlyList<ReachedLayer> Touches(CaseView view);

    /// <summary>Identifier of the cloth that is laid when none was chosen.</summary>
    string Cloth(CaseView view);

    /// <summary>Identifier of the filler that is stirred in when none was chosen.</summary>
    string Filler(CaseView view);

    /// <summary>Why this method is no use for a case, or null when it fits.</summary>
    Message? DoesNotFit(CaseView view);

    /// <summary>Whether the method works with a material.</summary>
    bool Takes(Material material);

    /// <summary>Hands and waits in outline, for ranking: must agree with <see cref="Compose"/> in what is waited for.</summary>
    IReadOnlyList<StepTiming> Outline(CaseView view, Material material);

    /// <summary>Works out the steps with all their figures.</summary>
    /// <param name="inputs">Case, materials and sheet.</param>
    Composition Compose(MethodInputs inputs);
}
