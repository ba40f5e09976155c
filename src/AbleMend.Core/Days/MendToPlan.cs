using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Limits;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Core.Days;

/// <summary>What somebody wants of a mend in the plan of the days.</summary>
/// <param name="NotBefore">It is held back until then; null for not at all.</param>
/// <param name="Person">Who does it, by name; null for whoever can.</param>
/// <param name="Weight">What an hour late costs against another's, 1 to 20: what may not be late is given more.</param>
/// <param name="BeginAt">Its next stretch is pinned to that time; null lets the plan say when.</param>
/// <param name="NotBy">Who does not do it, by name; null or empty for nobody.</param>
public sealed record DayWish(
    DateTimeOffset? NotBefore = null, [property: Size(1, 40)] string? Person = null, [property: Limits(1, 20)] int Weight = 1, DateTimeOffset? BeginAt = null, [property: Size(0, 20)] IReadOnlyList<string>? NotBy = null)
{
    /// <summary>What speaks against it.</summary>
    /// <param name="floor">Who is there.</param>
    public IReadOnlyList<Problem> Check(ShopFloor floor) =>
    [
        .. LimitTable.Check(this),
        .. Person is { } name && !IsHere(floor, name) ? (Problem[])[Unknown(floor, "person", name)] : [],
        .. (NotBy ?? []).Where(each => !IsHere(floor, each)).Take(1).Select(each => Unknown(floor, "notBy", each ?? "")),
        .. Person is { } wanted && NotBy?.Contains(wanted) == true ? (Problem[])[new Problem("contradiction", "notBy", $"{wanted:as-is} is to do it, and is not to.", "Take one of the two away.")] : [],
        .. floor.People.All(person => NotBy?.Contains(person.Name) == true) ? (Problem[])[new Problem("nobody-left", "notBy", "Then nobody is left who does it.", "Leave somebody.")] : [],
        .. BeginAt < NotBefore ? (Problem[])[new Problem("contradiction", "beginAt", "It is pinned to a time before that until which it is held back.", "Take one of the two away.")] : [],
    ];

    private static bool IsHere(ShopFloor floor, string name) => floor.People.Any(person => person.Name == name);

    private static Problem Unknown(ShopFloor floor, string field, string name) =>
        new("unknown-person", field, $"Nobody here is called {name:as-is}.", $"Use one of: {string.Join(", ", floor.People.Select(person => person.Name)):as-is}.");
}

/// <summary>A mend as it is laid into the days.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Plan">The plan that it runs by, or would be begun by.</param>
/// <param name="Run">How far it has got; null while it is not begun.</param>
/// <param name="Climate">Air that it cures in.</param>
/// <param name="DueAt">When it is due, or null.</param>
public sealed record MendToPlan(int Id, RepairPlan Plan, RunState? Run, Climate Climate, DateTimeOffset? DueAt)
{
    /// <value>What somebody wants of it.</value>
    public DayWish Wish { get; init; } = new();

    /// <summary>A mend that is under way.</summary>
    /// <param name="id">Its number.</param>
    /// <param name="mend">The mend.</param>
    /// <param name="dueAt">When it is due, or null.</param>
    /// <param name="now">The present.</param>
    /// <exception cref="InvalidOperationException">It was never started.</exception>
    public static MendToPlan Running(int id, Mend mend, DateTimeOffset? dueAt, DateTimeOffset now) =>
        new(id, mend.PlanAtPace!, mend.StateAt(now), mend.ClimateAtBench, dueAt);

    /// <summary>A mend that would be begun by a plan.</summary>
    /// <param name="id">Its number.</param>
    /// <param name="repairCase">Its case.</param>
    /// <param name="plan">The plan.</param>
    /// <param name="dueAt">When it is due, or null.</param>
    public static MendToPlan Draft(int id, RepairCase repairCase, RepairPlan plan, DateTimeOffset? dueAt) => new(id, plan, null, repairCase.Bench.ClimateFrom(plan.StartAt), dueAt);
}
