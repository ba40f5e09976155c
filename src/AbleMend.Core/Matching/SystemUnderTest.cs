using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Matching;

/// <summary>A method and a resin, as the rules look at them.</summary>
/// <param name="Method">Way of mending.</param>
/// <param name="Material">Main material.</param>
/// <param name="View">The case.</param>
/// <param name="Touched">Layers that the main material touches.</param>
/// <param name="ReadyAt">When it could go back into use; null for never.</param>
internal sealed record SystemUnderTest(IWayOfMending Method, Material Material, CaseView View, IReadOnlyList<ReachedLayer> Touched, DateTimeOffset? ReadyAt);
