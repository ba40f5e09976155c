using System.Text.Json.Serialization;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Running;

/// <summary>What two readings say of a test.</summary>
[JsonConverter(typeof(Kebab<ReadingVerdict>))]
public enum ReadingVerdict
{
    /// <summary>Within its limit.</summary>
    Passes,

    /// <summary>Beyond it.</summary>
    Fails,

    /// <summary>Nearer to its limit than the instrument can tell.</summary>
    TooClose,
}

/// <summary>A reading of a test.</summary>
/// <param name="At">When.</param>
/// <param name="Value">What was read, in the unit of the test.</param>
public sealed record TestReading(DateTimeOffset At, double Value);

/// <summary>How far a test has got.</summary>
/// <param name="First">What was read first; null before that.</param>
/// <param name="Then">What was read then; null before that.</param>
/// <param name="ThenFrom">From when on a reading tells more, where one was taken too soon or they lie a day apart; null where it may be taken at any time.</param>
/// <param name="Difference">The difference of both; null before both are there.</param>
/// <param name="OffBy">How far that may be off, nineteen times out of twenty; null where a hand said what it read.</param>
/// <param name="Verdict">What they say; null before both are there.</param>
/// <param name="ForMin">Minutes that it lasts; null where it lasts no time.</param>
/// <param name="Until">When it has lasted long enough; null before it was begun.</param>
public sealed record TestStand(TestReading? First, TestReading? Then, DateTimeOffset? ThenFrom, double? Difference, double? OffBy, ReadingVerdict? Verdict, double? ForMin, DateTimeOffset? Until);

/// <summary>Tests at the bench: what was read for them, and how long they last.</summary>
internal static class TestsInHand
{
    /// <summary>How far the test of a step has got; null for a step that is none, or a test that is over as soon as it is done.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="step">The step.</param>
    /// <param name="begunAt">When it was begun, or null.</param>
    /// <param name="kept">What stands, in order.</param>
    public static TestStand? Of(RepairPlan plan, PlanStep step, DateTimeOffset? begunAt, IReadOnlyList<RunEvent> kept)
    {
        if (ToolOf(step) is not { } tool || (tool.Readings is null && tool.ForMin is null))
        {
            return null;
        }

        var lasts = new TestStand(null, null, null, null, null, null, tool.ForMin, tool.ForMin is { } minutes ? begunAt?.AddMinutes(minutes) : null);
        return tool.Readings is { } two ? Compared(lasts, ProofTest.All[step.Proof!], two, Readings(plan, step, two, kept)) : lasts;
    }

    /// <summary>Why a reading is not taken; null where it is.</summary>
    public static Problem? RefuseReading(RepairPlan plan, Front? front, RunEvent next)
    {
        if (front?.Test is null || ToolOf(plan.Steps.First(step => step.Id == front.StepId)) is not { Readings: { } two } || front.Phase is not (StepPhase.Next or StepPhase.Hands))
        {
            return new Problem("not-this-step", "stepId", "Nothing is compared at this step.", "Reload the mend: it went on elsewhere.");
        }

        return next.Value is { } value && value >= two.Least && value <= two.Most ? null
            : new Problem("out-of-range", "value", $"A reading of this test lies from {Read(two.Least)} to {Read(two.Most)}.", "Read it again.");

        MeasureArgument Read(double value) => new(value, ProofTest.All[plan.Steps.First(step => step.Id == next.StepId).Proof!].Unit!, 0);
    }

    /// <summary>What has to last is not over before its time, if it passes; it may fail at any time. Who took the time by another clock never said that it had begun.</summary>
    public static Problem? RefuseSooner(Front front, string test, RunEvent next) =>
        front.Test?.Until is { } until && next.At < until && ProofTest.All[test].Passes(next.Value ?? front.Test.Difference, next.Passed == true)
            ? new Problem("too-soon", "kind", $"It has to last {WallMin(ProofTest.All[test].Tool!.ForMin!.Value)}, and has not yet.", "Wait until they are; say that it fails as soon as it does.")
            : null;

    private static ProofTool? ToolOf(PlanStep step) => step.Proof is { } proof ? ProofTest.All[proof].Tool : null;

    /// <summary>What was read of it since it was last begun anew; what is compared by the day goes on from what was weighed while it dried.</summary>
    private static List<RunEvent> Readings(RepairPlan plan, PlanStep step, TwoReadings two, IReadOnlyList<RunEvent> kept)
    {
        var since = kept.LastOrDefault(each => BeginsAnew(plan, step, each))?.Number ?? 0;
        bool IsWeighing(RunEvent each) => two.HoursApart is not null && each.Kind == RunEventKind.Weighed && plan.Steps.Any(other => other.Id == each.StepId && other.Damage == step.Damage);
        return [.. kept.Where(each => each.Number > since && ((each.Kind == RunEventKind.Measured && each.StepId == step.Id) || IsWeighing(each))).OrderBy(each => each.At)];
    }

    private static bool BeginsAnew(RepairPlan plan, PlanStep step, RunEvent each) =>
        each.Kind is RunEventKind.Redo or RunEventKind.Mishap && plan.Steps.FirstOrDefault(other => other.Id == each.StepId) is { } from && (from.Damage == step.Damage || step.Timing.IsFor(from.Damage));

    /// <summary>What is read before its time is over fails it, or says nothing yet.</summary>
    private static TestStand Compared(TestStand lasts, ProofTest test, TwoReadings two, List<RunEvent> readings)
    {
        var (first, then) = two.HoursApart is { } hours ? DayByDay(readings, hours) : (readings.FirstOrDefault(), readings.Count > 1 ? readings[^1] : null);
        var isEarly = then is not null && then.At < lasts.Until && test.Passes(Between(first!, then), false);
        then = isEarly ? null : then;
        double? difference = then is null ? null : Between(first!, then);
        double? offBy = first?.Resolution is { } before && then?.Resolution is { } after ? TwoReadings.OffBy(Math.Max(before, after)) : null;
        return lasts with
        {
            First = Read(first),
            Then = Read(then),
            ThenFrom = isEarly ? lasts.Until : then is null && two.HoursApart is { } apart ? first?.At.AddHours(apart) : null,
            Difference = difference,
            OffBy = offBy,
            Verdict = difference is { } by ? Judge(Math.Abs(by), test.Limit!.Value, offBy ?? 0) : null,
        };
    }

    /// <summary>What lies between two readings, as finely as any instrument reads.</summary>
    private static double Between(RunEvent first, RunEvent then) => Math.Round(then.Value!.Value - first.Value!.Value, 6);

    /// <summary>The last reading and the one that is a day older; where there is none, the first and what is still to be read.</summary>
    private static (RunEvent? First, RunEvent? Then) DayByDay(List<RunEvent> readings, double hours) =>
        readings.Count > 0 && readings.FindLast(each => (readings[^1].At - each.At).TotalHours >= hours) is { } dayAgo ? (dayAgo, readings[^1]) : (readings.FirstOrDefault(), null);

    private static ReadingVerdict Judge(double difference, double limit, double offBy) =>
        Math.Abs(difference - limit) < offBy ? ReadingVerdict.TooClose
        : difference <= limit ? ReadingVerdict.Passes : ReadingVerdict.Fails;

    private static TestReading? Read(RunEvent? reading) => reading is null ? null : new TestReading(reading.At, reading.Value!.Value);
}
