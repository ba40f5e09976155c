using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Looking;

/// <summary>A way of finding what leaks or hides.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What the hand does.</param>
/// <param name="How">How, and what it shows.</param>
/// <param name="Kinds">Kinds of damage that it finds.</param>
/// <param name="Families">Families of the outer layer that it works on; empty for all.</param>
public sealed record LookTest(string Id, [property: Size(1, 80)][property: Words] string Name, [property: Size(10, 600)][property: Words] string How, [property: Size(1, 40)] IReadOnlyList<DamageKind> Kinds, [property: Size(0, 40)] IReadOnlyList<string> Families)
{
    /// <summary>Whether it is of use for a kind of damage of an outer layer.</summary>
    public bool Finds(DamageKind kind, Substance outer) =>
        Kinds.Contains(kind) && (Families.Count == 0 || Families.Any(outer.Families.Contains));
}
