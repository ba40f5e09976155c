using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Running;

/// <summary>What the mixes of a run are measured with: what was planned, until another device is taken for those that are still to be mixed.</summary>
/// <param name="planned">The device of the case.</param>
/// <param name="plan">The plan.</param>
/// <param name="standing">What happened and still stands.</param>
internal sealed class DevicesInHand(MeasuringDevice planned, RepairPlan plan, IReadOnlyList<RunEvent> standing)
{
    private readonly bool _isOther = standing.Any(each => each.Kind == RunEventKind.MeasuredWith);

    /// <value>The device for what is mixed next.</value>
    public MeasuringDevice Now => Before(standing.Count);

    /// <summary>The device of a mix: the one in hand when it was begun, or now where it was not.</summary>
    /// <param name="mix">The mixing step.</param>
    public MeasuringDevice Of(PlanStep mix) => _isOther ? Before(BegunAt(mix) ?? standing.Count) : planned;

    private MeasuringDevice Before(int count) => standing.Take(count).LastOrDefault(each => each.Kind == RunEventKind.MeasuredWith)?.Device ?? planned;

    /// <summary>Where in the run a mix was begun, as it is to be spread; null where it still is to be.</summary>
    private int? BegunAt(PlanStep mix)
    {
        int? begun = null;
        var isDone = false;
        for (var i = 0; i < standing.Count; i++)
        {
            var each = standing[i];
            if ((each.Kind == RunEventKind.Redo && CupsInHand.IsRedone(mix, each)) || CupsInHand.IsRescued(plan, mix, each))
            {
                (begun, isDone) = (null, false);
            }
            else if (each.StepId == mix.Id)
            {
                begun = each.Kind switch
                {
                    RunEventKind.Begin or RunEventKind.Poured or RunEventKind.HandsDone or RunEventKind.CupTogether or RunEventKind.CupShared => begun ?? i,
                    // The other cups of a mix that was begun are like its first.
                    RunEventKind.ThrownOut when !isDone => null,
                    _ => begun,
                };
                isDone |= each.Kind is RunEventKind.HandsDone or RunEventKind.CupShared;
            }
        }

        return begun;
    }
}
