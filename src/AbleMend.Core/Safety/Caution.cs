using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Safety;

/// <summary>A usual caution. It never replaces the product's own safety sheet or local rules.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Text">What to mind.</param>
public sealed record Caution(string Id, [property: Size(10, 400)][property: Words] string Text);
