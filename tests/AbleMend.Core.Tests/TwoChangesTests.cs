using AbleMend.Core.Days;
using AbleMend.Core.Stock;

namespace AbleMend.Core.Tests;

/// <summary>Two changes of one record, put together place by place. What is expected is what "nothing of anybody's is undone" means.</summary>
public sealed class TwoChangesTests
{
    private static readonly Lot Seen = new("acetone", Id: "L-1", Had: 1000, Batch: "B1", StandsAt: "Bench");
    private static readonly DateOnly Day = new(2026, 5, 6);

    /// <summary>Every place of a lot that somebody may change, changed in two ways.</summary>
    public static TheoryData<string, Lot, Lot> Places => new()
    {
        { "useBefore", Seen with { UseBefore = Day }, Seen with { UseBefore = Day.AddDays(1) } },
        { "openedOn", Seen with { OpenedOn = Day }, Seen with { OpenedOn = Day.AddDays(1) } },
        { "batch", Seen with { Batch = "B2" }, Seen with { Batch = null } },
        { "had", Seen with { Had = 900 }, Seen with { Had = null } },
        { "unit", Seen with { Unit = StockUnit.G }, Seen with { Unit = StockUnit.Kit } },
        { "price", Seen with { Price = 12 }, Seen with { Price = 0 } },
        { "standsAt", Seen with { StandsAt = "Shed" }, Seen with { StandsAt = "Cabinet" } },
        { "goneOn", Seen with { GoneOn = Day }, Seen with { GoneOn = Day.AddDays(1) } },
        { "material", Seen with { Material = "isopropanol" }, Seen with { Material = "white-spirit" } },
    };

    [Theory]
    [MemberData(nameof(Places))]
    public void What_one_touched_is_as_that_one_left_it(string place, Lot one, Lot other)
    {
        TwoChanges.Together(Seen, one, Seen).Value.ShouldBe(one, place);
        TwoChanges.Together(Seen, Seen, other).Value.ShouldBe(other, place);
        TwoChanges.Together(Seen, one, one).Value.ShouldBe(one, place);
    }

    [Theory]
    [MemberData(nameof(Places))]
    public void What_both_touched_differently_is_refused_with_its_place(string place, Lot one, Lot other)
    {
        var refused = TwoChanges.Together(Seen, one, other);
        refused.Value.ShouldBeNull();
        refused.Problems.Select(problem => (problem.Code, problem.Field)).ShouldBe([(TwoChanges.Collided, place)]);
    }

    [Fact]
    public void Changes_of_any_two_places_stand_together()
    {
        var changes = Places.Select(row => (Place: row.Data.Item1, Lot: row.Data.Item2)).ToList();
        foreach (var (one, other) in from one in changes from other in changes where one.Place != other.Place select (one, other))
        {
            var together = TwoChanges.Together(Seen, one.Lot, other.Lot).Value.ShouldNotBeNull($"{one.Place} and {other.Place}");
            TwoChanges.Together(Seen, other.Lot, one.Lot).Value.ShouldBe(together);
            together.ShouldNotBe(one.Lot);
            together.ShouldNotBe(other.Lot);
        }
    }

    [Fact]
    public void The_same_instant_in_another_zone_and_a_list_of_nobody_are_no_change()
    {
        var at = new DateTimeOffset(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);
        var seen = new DayWish(NotBefore: at, NotBy: []);
        var mine = new DayWish(NotBefore: at.ToOffset(TimeSpan.FromHours(9)), Weight: 5);
        var theirs = new DayWish(NotBefore: at.AddDays(1), NotBy: ["Ash"]);
        var together = TwoChanges.Together(seen, mine, theirs).Value.ShouldNotBeNull();
        (together.NotBefore, together.Weight).ShouldBe((at.AddDays(1), 5));
        together.NotBy.ShouldBe(["Ash"]);
    }
}
