using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;

namespace AbleMend.Core.Running;

/// <summary>A reading of a hold test as it is drawn.</summary>
/// <param name="At">When.</param>
/// <param name="GaugeKpa">Gauge pressure in kPa.</param>
/// <param name="AirC">Air in °C.</param>
/// <param name="BarometerKpa">Barometer in kPa.</param>
/// <param name="AirPercent">Air inside, in percent of the first reading's: warmth and weather taken out.</param>
/// <param name="IsUsed">Whether it is judged by: what was read while it settled is not.</param>
public sealed record TracePoint(DateTimeOffset At, double GaugeKpa, double AirC, double BarometerKpa, double AirPercent, bool IsUsed);

/// <summary>The readings of a hold test, and how they come.</summary>
/// <param name="Points">What was read, in order.</param>
/// <param name="Gauge">Identifier of the instrument that is read by itself, whether anybody looks or not; null where a hand reads.</param>
/// <param name="KnownAt">When the answer will be known, if it goes on as it does; null where it is known, or nothing can be said.</param>
public sealed record HoldTrace(IReadOnlyList<TracePoint> Points, string? Gauge, DateTimeOffset? KnownAt);

/// <summary>Hold tests of a run.</summary>
internal static class Holds
{
    /// <summary>The hold test that is current, or that is being waited for, judged from its readings since it was last begun.</summary>
    public static (HoldResult Result, HoldTrace Trace)? Of(RepairCase repairCase, RepairPlan plan, Methods.PlanStep current, Climate climate, IReadOnlyList<RunEvent> kept)
    {
        var watched = plan.Steps.Where(step => step.Damage == current.Damage).SkipWhile(step => step != current).Take(2).ToList();
        if (watched.All(step => step.Proof != HoldTest.ProofId) || (current.Proof != HoldTest.ProofId && Numbering.Parse(current.Id).Id != HoldTest.WatchStep))
        {
            return null;
        }

        var since = kept.LastOrDefault(each => each.Kind == RunEventKind.Redo && current.Timing.IsFor(Numbering.Parse(each.StepId!).Number))?.Number ?? 0;
        var told = kept.Where(each => each.Number > since && each.StepId is { } id && Numbering.Parse(id).Number == current.Damage).ToList();
        var events = told.Where(each => each.Kind == RunEventKind.Pressure).OrderBy(each => each.At).ToList();
        // It settles from when it was blown up; an older plan only knows when it was first read.
        var from = kept.LastOrDefault(each => each.Kind == RunEventKind.HandsDone && each.StepId == Numbering.Of(current.Damage, HoldTest.InflateStep))?.At ?? events.FirstOrDefault()?.At;
        var readings = events.Select(each => new HoldReading(
            (each.At - from!.Value).TotalMinutes, each.Value!.Value, each.AirC ?? climate.TemperatureCAt(each.At), each.BarometerKpa ?? Gas.AtmosphereKpa(repairCase.Bench.AltitudeM))).ToList();
        var criterion = CriterionOf(plan, current.Damage);
        var result = HoldTest.Judge(readings, criterion);
        var points = events.Zip(readings, (each, reading) => new TracePoint(each.At, reading.GaugeKpa, reading.AirC, reading.BarometerKpa, HoldTest.AirPercent(reading, readings[0]), reading.Minute >= criterion.SettleMin)).ToList();
        return (result, new HoldTrace(points, told.LastOrDefault(each => each.Kind == RunEventKind.Gauge)?.Text, HoldTest.KnownMinute(readings, criterion) is { } minute ? from!.Value.AddMinutes(minute) : null));
    }

    /// <summary>What a plan judges its hold test by; an older plan says less, and what it leaves out is what it was judged by then.</summary>
    public static HoldCriterion CriterionOf(RepairPlan plan, int damage)
    {
        double Of(string figure, double otherwise) => plan.Figures.FirstOrDefault(each => each.Id == Numbering.Of(damage, figure))?.Value ?? otherwise;
        return new HoldCriterion(
            Of(HoldTest.MattersFigure, ProofTest.All[HoldTest.ProofId].Limit!.Value), Of(HoldTest.SettleFigure, 10),
            Of(HoldTest.GaugeFigure, HoldCriterion.UsualSteps.GaugeKpa), Of(HoldTest.ThermometerFigure, HoldCriterion.UsualSteps.ThermometerK));
    }
}
