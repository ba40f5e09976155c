using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Catalogue;

/// <summary>One answer to a question on which practitioners disagree.</summary>
/// <param name="Id">Identifier, unique in its question.</param>
/// <param name="Name">What it is called at the bench.</param>
/// <param name="Method">Way of mending that this answer means, or null.</param>
/// <param name="Material">Main material that this answer means, or null.</param>
public sealed record SchoolOption(string Id, [property: Size(1, 120)][property: Words] string Name, string? Method = null, string? Material = null);

/// <summary>A question on which practitioners disagree. Both answers are supported; one is the default, with its reason.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Question">The question.</param>
/// <param name="Options">The answers.</param>
/// <param name="Default">Identifier of the default.</param>
/// <param name="Why">Why it is the default.</param>
public sealed record School(string Id, [property: Size(1, 120)][property: Words] string Question, [property: Size(2, 6)] IReadOnlyList<SchoolOption> Options, string Default, [property: Size(5, 400)][property: Words] string Why);
