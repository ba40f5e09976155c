using System.Text.Json.Serialization;

namespace AbleMend.Core;

/// <summary>Where a value or a rule comes from, so that a technician can judge how far to trust it.</summary>
[JsonConverter(typeof(Kebab<SourceKind>))]
public enum SourceKind
{
    /// <summary>A published standard, handbook, paper or textbook; the citation names it.</summary>
    Published,

    /// <summary>What practitioners do; there is no single source.</summary>
    CommonPractice,

    /// <summary>A value written down from memory, to be replaced by the product's own sheet.</summary>
    FromMemory,

    /// <summary>Follows by arithmetic from the other inputs of the same plan.</summary>
    Arithmetic,

    /// <summary>Given by the shop: a measurement, a label or an override.</summary>
    Shop,
}

/// <summary>A citation: its kind and, in words, what it points to.</summary>
/// <param name="Kind">How firm it is.</param>
/// <param name="Citation">Standard with part or section, paper with year, or a plain statement.</param>
public sealed record Source(SourceKind Kind, string Citation)
{
    /// <summary>Common practice, no source.</summary>
    public static Source CommonPractice { get; } = new(SourceKind.CommonPractice, "Common practice, no source.");

    /// <summary>Arithmetic on the inputs shown.</summary>
    public static Source Arithmetic { get; } = new(SourceKind.Arithmetic, "Arithmetic on the inputs shown.");

    /// <summary>Names a published source.</summary>
    public static Source Published(string citation) => new(SourceKind.Published, citation);

    /// <summary>Marks a value as written down from memory.</summary>
    public static Source FromMemory(string what) => new(SourceKind.FromMemory, what);
}

/// <summary>One thing that a figure was worked out from.</summary>
/// <param name="Name">What it is, as the bench would say it.</param>
/// <param name="Value">Its value, in <paramref name="Unit"/>.</param>
/// <param name="Unit">Unit symbol; empty for a plain number.</param>
public sealed record Input(string Name, double Value, string Unit);

/// <summary>Why a figure is what it is: inputs, rule and source.</summary>
/// <param name="Rule">The formula or rule in words and symbols.</param>
/// <param name="Source">Where the rule comes from.</param>
/// <param name="Inputs">What went in.</param>
/// <param name="WouldChange">What would change the figure, or null when the inputs say it all.</param>
public sealed record Derivation(string Rule, Source Source, IReadOnlyList<Input> Inputs, string? WouldChange = null);

/// <summary>A computed value together with its unit and its derivation.</summary>
/// <param name="Value">The value, in <paramref name="Unit"/>; always finite.</param>
/// <param name="Unit">Unit symbol.</param>
/// <param name="Derivation">Why.</param>
public sealed record Worked(double Value, string Unit, Derivation Derivation);
