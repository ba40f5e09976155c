using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>Resin and what goes with it, as chosen for a method.</summary>
/// <param name="Resin">Resin.</param>
/// <param name="Cloth">Cloth, where the method lays any.</param>
/// <param name="Filler">Filler, where the method takes any.</param>
/// <param name="Cleaner">Cleaner that harms no layer.</param>
public sealed record ChosenMaterials(Material Resin, Material Cloth, Material Filler, Material Cleaner);

/// <summary>What a method works with.</summary>
/// <param name="View">The case.</param>
/// <param name="Materials">The materials.</param>
/// <param name="Sheet">Where its figures go.</param>
public sealed record MethodInputs(CaseView View, ChosenMaterials Materials, FigureSheet Sheet);

/// <summary>What a method makes of a case.</summary>
/// <param name="Steps">Steps in order.</param>
/// <param name="Patches">Patches in the order in which they are laid; may be empty.</param>
/// <param name="Profile">What is done in the section.</param>
/// <param name="Key">Outline that is keyed and taped.</param>
/// <param name="Cut">Outline that is cut away.</param>
/// <param name="Warnings">What wants to be known.</param>
public sealed record Composition(
    IReadOnlyList<PlanStep> Steps,
    IReadOnlyList<Patch> Patches,
    WorkProfile Profile,
    IReadOnlyList<IReadOnlyList<PointMm>> Key,
    IReadOnlyList<IReadOnlyList<PointMm>> Cut,
    IReadOnlyList<Warning> Warnings
);

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

    /// <summary>Why this method is no use for a case, or null when it fits.</summary>
    string? DoesNotFit(CaseView view);

    /// <summary>Whether the method works with a resin.</summary>
    bool Takes(Material resin);

    /// <summary>Hands and waits in outline, for ranking: must agree with <see cref="Compose"/> in what is waited for.</summary>
    IReadOnlyList<StepTiming> Outline(CaseView view, Material resin);

    /// <summary>Works out the steps with all their figures.</summary>
    /// <param name="inputs">Case, materials and sheet.</param>
    Composition Compose(MethodInputs inputs);
}
