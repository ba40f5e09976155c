using System.Collections.Frozen;
using AbleMend.Core.Gear;
using AbleMend.Core.Words;

namespace AbleMend.Core.Catalogue;

/// <summary>A word of a closed vocabulary.</summary>
/// <param name="Id">The word, as entries write it.</param>
/// <param name="Means">What it means.</param>
public sealed record Term(string Id, [property: Words] string Means);

/// <summary>The closed vocabularies of the catalogue: each word is declared once, and a word that is not here is refused on load.</summary>
/// <param name="Chemistries">Chemistries of materials.</param>
/// <param name="Families">Families of substances.</param>
/// <param name="Traits">Traits of places.</param>
/// <param name="Tools">Tools without which a method cannot be done.</param>
public sealed record Vocabulary(IReadOnlyList<Term> Chemistries, IReadOnlyList<Term> Families, IReadOnlyList<Term> Traits, IReadOnlyList<Term> Tools);

/// <summary>What ways of mending there are, as far as the catalogue speaks of them.</summary>
/// <param name="Methods">Identifiers of methods.</param>
/// <param name="Schools">Identifiers of the questions that methods ask.</param>
/// <param name="Tools">Tools that methods need.</param>
/// <param name="Kinds">Kinds of damage that methods are for.</param>
/// <param name="Stages">Stages that their steps belong to.</param>
public sealed record KnownMethods(FrozenSet<string> Methods, FrozenSet<string> Schools, FrozenSet<string> Tools, FrozenSet<DamageKind> Kinds, FrozenSet<string> Stages);

/// <summary>A fault in the catalogue's data.</summary>
/// <param name="File">File that it is in.</param>
/// <param name="Entry">Entry that it is in; empty for the whole file.</param>
/// <param name="What">What is wrong.</param>
/// <param name="Remedy">What to do about it.</param>
public sealed record CatalogueFault(string File, string Entry, string What, string Remedy)
{
    /// <inheritdoc/>
    public override string ToString() => $"{File}{(Entry.Length > 0 ? $", {Entry}" : "")}: {What} {Remedy}";
}

/// <summary>Faults in the catalogue's data: always a mistake of whoever edited it, named by file and entry, all at once.</summary>
/// <param name="faults">The faults, at least one.</param>
public sealed class CatalogueException(IReadOnlyList<CatalogueFault> faults) : Exception(string.Join(Environment.NewLine, faults))
{
    /// <value>The faults.</value>
    public IReadOnlyList<CatalogueFault> Faults { get; } = faults;
}
