using System.Text.Json.Serialization;
using AbleMend.Core.Words;

namespace AbleMend.Core.Figures;

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
public sealed record Source(SourceKind Kind, Message Citation)
{
    /// <summary>Common practice, no source.</summary>
    public static Source CommonPractice { get; } = new(SourceKind.CommonPractice, "Common practice, no source.");

    /// <summary>Arithmetic on the inputs shown.</summary>
    public static Source Arithmetic { get; } = new(SourceKind.Arithmetic, "Arithmetic on the inputs shown.");

    /// <summary>Measured or set by the shop.</summary>
    public static Source Shop { get; } = new(SourceKind.Shop, "Measured or set by the shop.");

    /// <summary>Names a published source.</summary>
    public static Source Published(Message citation) => new(SourceKind.Published, citation);

    /// <summary>Marks a value as written down from memory.</summary>
    public static Source FromMemory(Message what) => new(SourceKind.FromMemory, what);

    /// <summary>The source of a catalogue's entry, whose words say whether it is from memory.</summary>
    public static Source OfEntry(string words) =>
        new(words.Contains("memory", StringComparison.OrdinalIgnoreCase) ? SourceKind.FromMemory
            : words.Contains("ommon practice", StringComparison.Ordinal) ? SourceKind.CommonPractice
            : words.Contains("label", StringComparison.OrdinalIgnoreCase) ? SourceKind.Shop
            : SourceKind.Published, Message.Parse(words));
}

/// <summary>How firm a source is against others.</summary>
public static class Firmness
{
    /// <summary>The weaker of two: what rests on both is no firmer. Arithmetic adds no doubt of its own.</summary>
    public static SourceKind Weaker(SourceKind one, SourceKind other) => Rank(one) <= Rank(other) ? one : other;

    private static int Rank(SourceKind kind) =>
        kind switch { SourceKind.FromMemory => 0, SourceKind.CommonPractice => 1, SourceKind.Shop => 2, SourceKind.Published => 3, _ => 4 };
}
