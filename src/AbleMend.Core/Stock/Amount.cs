using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Core.Stock;

/// <summary>So much of a material.</summary>
/// <param name="Material">Identifier of the material.</param>
/// <param name="Value">How much, above 0.</param>
/// <param name="Unit">What of.</param>
public sealed record Amount(string Material, double Value, StockUnit Unit)
{
    private static readonly Dictionary<string, StockUnit> Units = new()
    {
        ["mL"] = StockUnit.Ml,
        ["g"] = StockUnit.G,
        ["kit"] = StockUnit.Kit,
        ["cm²"] = StockUnit.Cm2,
        ["mm"] = StockUnit.Mm,
        [""] = StockUnit.Piece,
    };

    /// <summary>What a step takes, in all its cups.</summary>
    /// <param name="plan">The plan that it is a step of.</param>
    /// <param name="step">The step.</param>
    public static IReadOnlyList<Amount> TakenBy(RepairPlan plan, PlanStep step) => [.. (step.Takes ?? []).Select(taking => Of(plan, taking))];

    /// <summary>Of what is taken, that which comes out of a tin or off a roll: what is cut from pieces that were left over does not.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="taken">What it takes.</param>
    public static IEnumerable<Amount> OffLots(RepairPlan plan, IEnumerable<Amount> taken) => taken.Where(amount => CutPieces.Of(plan, amount.Material).Count == 0);

    /// <summary>What a step took off the shelf: what was weighed into its cup, and where nobody weighed it, what was planned.</summary>
    /// <param name="plan">The plan that it is a step of.</param>
    /// <param name="step">The step.</param>
    /// <param name="done">Everything that stands, up to the end of its work by hand.</param>
    public static IReadOnlyList<Amount> TakenBy(RepairPlan plan, PlanStep step, IReadOnlyList<RunEvent> done)
    {
        var share = CupsInHand.ShareTaken(plan, step, done);
        return [.. TakenBy(plan, step).Select(amount => amount with { Value = amount.Value * share })];
    }

    /// <summary>The same in another unit; null where the one says nothing of the other.</summary>
    /// <param name="unit">The unit.</param>
    /// <param name="material">The material, for its density and its kit.</param>
    public double? In(StockUnit unit, Material material) =>
        Unit == unit ? Value
        : (Unit, unit) switch
        {
            (StockUnit.Ml, StockUnit.G) => Value * DensityGPerMl(material),
            (StockUnit.G, StockUnit.Ml) => Value / DensityGPerMl(material),
            (StockUnit.Kit, StockUnit.Ml) => Value * KitMl(material),
            (StockUnit.Ml, StockUnit.Kit) => Value / KitMl(material),
            (StockUnit.Kit, StockUnit.G) => Value * KitMl(material) * DensityGPerMl(material),
            (StockUnit.G, StockUnit.Kit) => Value / DensityGPerMl(material) / KitMl(material),
            _ => null,
        };

    private static Amount Of(RepairPlan plan, Taking taking)
    {
        var (figure, times) = (taking.Figure is { } id ? Figure(plan, id) : null, taking.Times is { } cups ? Figure(plan, cups)!.Value : 1);
        return figure is null ? new Amount(taking.Material, times, StockUnit.Piece) : new Amount(taking.Material, figure.Value * times, Units[figure.Unit]);
    }

    private static Figures.Figure Figure(RepairPlan plan, string id) => plan.Figures.First(figure => figure.Id == id);

    private static double? KitMl(Material material) => material.Kit is { } kit ? kit.AMl + kit.BMl : null;

    /// <summary>Density of the mix of both parts where there are two, else of what is in the tin.</summary>
    private static double? DensityGPerMl(Material material) =>
        material is { Ratio: not null, DensityAGPerMl: { } a, DensityBGPerMl: { } b }
            ? Ratio.VolumeShareOfA(material) is var share ? (share * a) + ((1 - share) * b) : null
            : material.DensityGPerMl;
}
