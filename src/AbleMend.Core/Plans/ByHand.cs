using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>What speaks against figures that were set by hand.</summary>
internal static class ByHand
{
    /// <summary>Every figure that is not in the plan, and every value that was not taken, with what to do about it.</summary>
    /// <param name="view">The damage whose figures were set.</param>
    /// <param name="graph">The figures of its plan.</param>
    public static IReadOnlyList<Problem> Refuse(CaseView view, FigureGraph graph) =>
    [
        .. Refuse(view.Overrides, graph).Select(problem => problem.In($"damages[{view.Number - 1}]")),
    ];

    private static IEnumerable<Problem> Refuse(IReadOnlyList<Override> overrides, FigureGraph graph) =>
    [
        .. overrides.Select((each, i) => (each, i)).Where(pair => graph.Find(pair.each.Figure) is null)
            .Select(pair => new Problem("unknown-figure", $"overrides[{pair.i}].figure", $"This plan has no figure '{pair.each.Figure:as-is}'.", "Remove the override, or use the identifier of one of the plan's figures.")),
        .. overrides.Select((each, i) => (each, i)).SelectMany(pair => graph.Faults.Where(fault => fault.Figure == pair.each.Figure).Take(1).Select(fault => Explain(fault, pair.i, graph))),
    ];

    private static Problem Explain(SettingFault fault, int place, FigureGraph graph)
    {
        var figure = graph.Find(fault.Figure)!;
        var told = graph.Told([figure]).First(told => told.Id == fault.Figure);
        return fault.Kind switch
        {
            SettingFaultKind.NotSet when figure.Kind == FigureKind.Shape =>
                new Problem("not-set-by-hand", $"overrides[{place}].figure", $"“{told.Label}” is measured on an outline.", "Set the margin that the outline was grown by, or trace the damage again."),
            SettingFaultKind.NotSet => new Problem("not-set-by-hand", $"overrides[{place}].figure", $"“{told.Label}” is a fact of the case or says what a label says.", "Change it in the case, or at the product."),
            SettingFaultKind.NotWhole => new Problem("not-whole", $"overrides[{place}].value", $"“{told.Label}” is a count.", "Give a whole number."),
            SettingFaultKind.NotKnown => new Problem("unknown-grade", $"overrides[{place}].value", $"There is no such grade for “{told.Label}”.", "Give a grade of its scale, such as 220."),
            _ => new Problem("out-of-range", $"overrides[{place}].value", $"That value makes no sense for “{told.Label}”.", $"Give a number from {Read(fault.Least)} to {Read(fault.Most)}."),
        };

        MeasureArgument Read(double value) => new(value, told.Unit, Unit.MostDecimals);
    }
}
