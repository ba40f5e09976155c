using AbleMend.Core;
using AbleMend.Core.Materials;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Worth;
using AbleMend.Data;

namespace AbleMend.Server.Worth;

/// <summary>What mends cost by a shop's rates and shelf.</summary>
internal sealed class WorthOfMends(Planner planner, ShopSettings settings)
{
    private readonly IReadOnlyDictionary<string, Material> _materials = planner.Catalogue.With(settings.Products ?? []).Materials;

    /// <summary>The plan of a mend: as it was started, else as it looks now.</summary>
    public Outcome<RepairPlan> PlanOf(Mend mend, DateTimeOffset now) => mend.Plan is { } frozen ? Outcome<RepairPlan>.Of(frozen) : planner.Plan(mend.Case.StartingAt(now));

    /// <summary>What a mend costs; null where the shop asks nothing.</summary>
    public Estimate? EstimateOf(RepairPlan plan, IReadOnlyList<RunEvent> events) => settings.Rates is { } rates ? Estimate.Of(plan, rates, settings.Shelf ?? [], _materials, Worked.Of(plan, events)) : null;
}
