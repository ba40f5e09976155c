using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

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
public interface IMendMethod : IWayOfMending
{
    /// <value>Kinds of damage that it is for.</value>
    IReadOnlyList<DamageKind> Kinds { get; }

    /// <value>Identifiers of the questions on which practitioners disagree that it asks.</value>
    IReadOnlyList<string> Schools { get; }

    /// <value>For a mend for now: what the proper repair is, and in how many days it is due; null for a mend for good.</value>
    ProperRepair? Proper { get; }

    /// <summary>Works out the steps with all their figures.</summary>
    /// <param name="inputs">Case, materials and sheet.</param>
    Composition Compose(MethodInputs inputs);
}
