using AbleMend.Core.Cases;
using AbleMend.Core.Methods;
using AbleMend.Core.Preparing;
using AbleMend.Core.Timing;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Plans;

/// <summary>What a plan wants known of its air and its windows.</summary>
internal static class PlanWarnings
{
    /// <summary>The warnings of a plan.</summary>
    public static IEnumerable<Warning> Of(CaseView view, IReadOnlyList<PlanStep> steps, IReadOnlyList<TimedStep> timeline)
    {
        var bench = view.Case.Bench;
        var dewC = DewPoint.Celsius(bench.TemperatureC, bench.RelativeHumidityPercent);
        if (bench.TemperatureC < dewC + DewPoint.MarginK)
        {
            yield return new Warning("dew-point", $"The surface is only {Apart(bench.TemperatureC - dewC):0.0} above the dew point of {Celsius(dewC):0.0}: warm it to {Celsius(dewC + DewPoint.MarginK):0.0} in the same air, or wait for drier air. Nothing is coated before.", "clean");
        }

        foreach (var missed in timeline.Where(each => each.MissesWindow))
        {
            yield return new Warning("window-missed", $"Nobody will be in before the window closes. {steps.First(step => step.Id == missed.StepId).Timing.Wait!.WhenLate}", missed.StepId);
        }

        if (timeline.Any(step => step.StartsAt is null) && timeline.LastOrDefault(step => step.StartsAt is not null) is { } stuck)
        {
            yield return new Warning("never-ready", "This wait does not end at this bench: warm it, or find light for it.", stuck.StepId);
        }
    }
}
