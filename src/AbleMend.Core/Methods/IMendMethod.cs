using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

/// <summary>What a method works with.</summary>
/// <param name="View">The case.</param>
/// <param name="Materials">The materials.</param>
/// <param name="Figures">Where its figures go.</param>
/// <param name="TimingOnly">Whether only the times are asked for, as for ranking: what no time hangs on is then not worked out.</param>
/// <param name="Cups">Mixes that it shares with the other damages of the item; null for none.</param>
public sealed record MethodInputs(CaseView View, ChosenMaterials Materials, FigureGraph Figures, bool TimingOnly = false, SharedCups? Cups = null);

/// <summary>A mix of one damage, as another of the same item could share it.</summary>
/// <param name="StepId">Identifier of the step that mixes it.</param>
/// <param name="Material">The material that holds.</param>
/// <param name="Filler">What is stirred in, or null.</param>
/// <param name="Wax">Whether wax is stirred in.</param>
/// <param name="Need">Volume that is needed.</param>
/// <param name="Work">Time to put it on, or null where it does not set in the cup.</param>
/// <param name="Cups">How many cups it is split into; null for one.</param>
public sealed record SharableMix(string StepId, string Material, string? Filler, bool Wax, Figure<Volume> Need, Figure<WallTime>? Work, Figure<Count>? Cups)
{
    /// <summary>Whether what is mixed is the same.</summary>
    public bool IsLike(SharableMix other) => (StepId, Material, Filler, Wax) == (other.StepId, other.Material, other.Filler, other.Wax);
}

/// <summary>A damage that takes its share of a mix.</summary>
/// <param name="Damage">Which, from 1.</param>
/// <param name="Mix">Its mix as it would have been alone.</param>
/// <param name="NeedId">Identifier of what it needs, in the whole plan.</param>
/// <param name="WorkId">Identifier of the time to put it on, in the whole plan.</param>
public sealed record CupTaker(int Damage, SharableMix Mix, string NeedId, string WorkId);

/// <summary>The mixes that a damage shares with others, by the identifiers of the steps that mix them.</summary>
/// <param name="GivenTo">Mixed with this damage, for others as well: which, and what they need of it.</param>
/// <param name="TakenFrom">Mixed with an earlier damage: which.</param>
public sealed record SharedCups(IReadOnlyDictionary<string, IReadOnlyList<CupTaker>> GivenTo, IReadOnlyDictionary<string, int> TakenFrom);

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
/// <param name="Mixes">Its mixes that other damages of the item could share.</param>
public sealed record Composition(IReadOnlyList<PlanStep> Steps, Derived<Drawn> Drawn, IReadOnlyList<Warning> Warnings, IReadOnlyList<SharableMix> Mixes);

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
