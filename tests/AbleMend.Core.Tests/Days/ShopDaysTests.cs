using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Days;

/// <summary>Real mends laid out over the days of a shop.</summary>
public class ShopDaysTests
{
    private static readonly DateTimeOffset Now = new(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);
    private static readonly BenchFacts Bench = new(20, 55, Zone: "Europe/Dublin");
    private static readonly ShopFloor Two = new([new Technician("One"), new Technician("Two")], Clamps: 2, Places: 30);

    private static MendToPlan Draft(string example, int id, DateTimeOffset? due = null)
    {
        var repairCase = GalleryTests.Read(example);
        repairCase = repairCase with { Wanted = repairCase.Wanted with { StartAt = Now, NeededBy = null } };
        return MendToPlan.Draft(id, repairCase, Cases.Planner.Plan(repairCase).Value!, due);
    }

    private static DaysPlan Planned(ShopFloor floor, IReadOnlyList<MendToPlan> mends, DaysPlan? before = null, DateTimeOffset? now = null)
    {
        var asked = 0;
        return new ShopDays(floor, Bench).Plan(mends, now ?? Now, () => asked++ / 6.0, before);
    }

    /// <summary>Worked cases that are mended here.</summary>
    public static TheoryData<string> Mended => [.. GalleryTests.Ids.Where(id => Draft(id, 1).Plan.Verdict.MendedHere)];

    [Theory]
    [MemberData(nameof(Mended))]
    public void Alone_in_the_shop_a_mend_is_ready_when_its_own_plan_says(string example)
    {
        var mend = Draft(example, 1);
        var days = Planned(ShopFloor.Alone with { Places = 30 }, [mend]);
        if (mend.Plan.ReadyAt is not { } alone)
        {
            days.Mends.Single().ReadyAt.ShouldBeNull();
            return;
        }

        var ready = days.Mends.Single().ReadyAt ?? throw new InvalidOperationException($"{example} fits into no day");
        // Stretches are whole slots: a few minutes each, and now and then a step that no longer fits before closing.
        ready.ShouldBeGreaterThan(alone.AddHours(-2));
        ready.ShouldBeLessThan(alone.AddHours(26));
        days.Blocks.ShouldAllBe(block => !block.Missed || mend.Plan.Timeline.Any(step => step.MissesWindow));
    }

    // Work runs over by a few minutes more often than not, and a window does not wait for it.
    [Fact]
    public void Hands_come_to_nearly_every_window_with_ten_minutes_to_spare()
    {
        var mends = GalleryTests.Ids.Where(id => Draft(id, 1).Plan is { Verdict.MendedHere: true, ReadyAt: not null }).Select((id, i) => Draft(id, i + 1, Now.AddDays(1 + (i % 9)))).ToList();
        var days = Planned(Two, mends);
        var spare = TimeSpan.FromMinutes(10);
        var (windows, tight) = (0, 0);
        foreach (var lane in days.Blocks.GroupBy(block => (block.Mend, Numbering.Parse(block.StepId).Number)))
        {
            foreach (var (before, next) in lane.Zip(lane.Skip(1)).Where(pair => pair.First.ClosesAt is not null))
            {
                var comesFromOther = days.Blocks.Any(other => other.Person == next.Person && other.Mend != next.Mend && other.EndsAt <= next.StartsAt && other.EndsAt > next.StartsAt - spare);
                var closesAtOnce = next.StartsAt > before.ClosesAt - spare && next.StartsAt > before.OverAt;
                (windows, tight) = (windows + 1, tight + (comesFromOther || closesAtOnce ? 1 : 0));
            }
        }

        windows.ShouldBeGreaterThan(50);
        tight.ShouldBeLessThan(windows / 20);
    }

    [Fact]
    public void Nobody_does_two_things_at_once_nor_when_the_shop_is_closed_nor_before_a_wait_is_over()
    {
        var mends = GalleryTests.Ids.Where(id => Draft(id, 1).Plan is { Verdict.MendedHere: true, ReadyAt: not null }).Select((id, i) => Draft(id, i + 1, Now.AddDays(1 + (i % 9)))).ToList();
        var days = Planned(Two, mends);
        days.Mends.Count.ShouldBe(mends.Count);
        days.Mends.ShouldAllBe(mend => mend.ReadyAt != null);
        foreach (var person in days.Blocks.GroupBy(block => block.Person))
        {
            person.Zip(person.Skip(1)).ShouldAllBe(pair => pair.First.EndsAt <= pair.Second.StartsAt);
        }

        var zone = TimeZoneInfo.FindSystemTimeZoneById(Bench.Zone);
        days.Blocks.ShouldAllBe(block => TimeZoneInfo.ConvertTime(block.StartsAt, zone).Hour >= 8 && TimeZoneInfo.ConvertTime(block.EndsAt, zone).TimeOfDay <= TimeSpan.FromHours(18));
        foreach (var lane in days.Blocks.GroupBy(block => (block.Mend, Numbering.Parse(block.StepId).Number)))
        {
            lane.Zip(lane.Skip(1)).ShouldAllBe(pair => (pair.First.OverAt ?? pair.First.EndsAt) <= pair.Second.StartsAt);
        }
    }

    // Two people are free for the two sides at once: the resin is not.
    [Fact]
    public void The_other_side_of_a_board_is_begun_when_what_was_put_on_is_firm_and_before_it_can_be_sanded()
    {
        var mend = Draft("board-three-dings", 1);
        var days = Planned(Two, [mend]);
        var filled = days.Blocks.Single(block => StepsOf(mend, block).Contains("fill"));
        var turned = days.Blocks.Single(block => StepsOf(mend, block).Contains("2:cut"));
        turned.StartsAt.ShouldBeGreaterThan(filled.EndsAt.AddHours(2));
        turned.StartsAt.ShouldBeLessThan(filled.OverAt!.Value);
        days.Blocks.Single(block => StepsOf(mend, block).Contains("fair")).StartsAt.ShouldBeGreaterThan(days.Blocks.Single(block => StepsOf(mend, block).Contains("2:fill")).EndsAt.AddHours(2), "and the deck again when the bottom is");
    }

    // What waits already is no stretch of the days any more, and still holds up the turning and the blowing-up.
    [Theory]
    [InlineData("board-three-dings")]
    [InlineData("csm-tube-puncture")]
    [InlineData("inflatable-board-seam-leak")]
    public void What_waits_at_one_damage_holds_up_what_has_to_wait_for_it_at_another(string example)
    {
        var read = GalleryTests.Read(example);
        var mend = Mend.Open(read.Damages.Count > 1 ? read : read with { Damages = [read.Damages[0], read.Damages[0]] }, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        var held = 0;
        while (mend.StateAt(Now) is { CurrentStepId: not null } state)
        {
            // Hands do whatever they can before they say of any wait that it is over.
            var next = state.Fronts.FirstOrDefault(front => front is { Phase: StepPhase.Next, WaitsFor: null });
            mend = next is null
                ? mend.Keep(new Happening(RunEventKind.Ready, state.Fronts.First(front => front.Phase == StepPhase.Waiting).StepId), Now).Value!
                : mend.Plan!.Steps.First(step => step.Id == next.StepId).Proof is null ? mend.Keep(new Happening(RunEventKind.HandsDone, next.StepId), Now).Value! : mend.Keep(new Happening(RunEventKind.Proof, next.StepId, Value: 0, Passed: true), Now).Value!;
            held += HeldUp(MendToPlan.Running(1, mend, null, Now));
        }

        held.ShouldBeGreaterThan(0);
    }

    /// <summary>How many blocks of a mend wait for what waits now at another of its damages; each is held to it.</summary>
    private static int HeldUp(MendToPlan mend)
    {
        var days = Planned(Two, [mend]);
        var steps = mend.Plan.Steps.ToDictionary(step => step.Id, step => step.Timing);
        var held = days.Blocks.SelectMany(block => mend.Run!.Fronts.Where(front => front is { Phase: StepPhase.Waiting, Window.OpensAt: not null }).SelectMany(front =>
            (steps[block.StepId].After ?? []).Where(id => id == front.StepId).Select(_ => (block, Lets: front.Window!.OpensAt!.Value))
                .Concat((steps[block.StepId].WhenFirm ?? []).Where(firm => firm.StepId == front.StepId && firm.FirmMin.CureMin > 0)
                    .Select(firm => (block, Lets: steps[front.StepId].Wait!.Clock.TryFindReached(firm.FirmMin, front.Window!.FromAt, mend.Climate)!.Value))))).ToList();
        held.ShouldAllBe(each => each.block.StartsAt >= each.Lets);
        return held.Count;
    }

    /// <summary>The steps from a block's first to the one before the next block of its damage.</summary>
    private static IReadOnlyList<string> StepsOf(MendToPlan mend, DayBlock block) => [.. mend.Plan.Steps.SkipWhile(step => step.Id != block.StepId).Where(step => step.Damage == Numbering.Parse(block.StepId).Number).Take(block.Titles.Count).Select(step => step.Id)];

    [Fact]
    public void What_is_due_first_and_could_be_late_goes_first()
    {
        var days = Planned(ShopFloor.Alone, [Draft("ski-core-shot", 1, Now.AddDays(5)), Draft("fin-box-surround", 2, Now.AddDays(5)), Draft("deck-ding-quick", 3, Now.AddHours(4))]);
        days.Mends.Single(mend => mend.Mend == 3).LateMin.ShouldBe(0);
        days.Blocks.First(block => block.Mend == 3).StartsAt.ShouldBeLessThan(Now.AddHours(2));
    }

    [Fact]
    public void One_clamp_is_on_one_mend_at_a_time()
    {
        var boots = Enumerable.Range(1, 3).Select(id => Draft("ski-tip-parted", id)).ToList();
        var one = Planned(Two with { Clamps = 1 }, boots);
        var many = Planned(Two with { Clamps = 3 }, boots);
        var held = one.Blocks.Where(block => block.Waits == AbleMend.Core.Timing.WaitKind.Hold).ToList();
        held.Count.ShouldBe(3);
        held.Zip(held.Skip(1)).ShouldAllBe(pair => pair.First.OverAt <= pair.Second.StartsAt);
        many.Mends.Max(mend => mend.ReadyAt).ShouldNotBeNull().ShouldBeLessThan(one.Mends.Max(mend => mend.ReadyAt)!.Value);
    }

    [Fact]
    public void A_window_that_runs_already_is_met_before_anything_else()
    {
        var repairCase = GalleryTests.Read("csm-tube-puncture");
        var mend = Mend.Open(repairCase, Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        var at = Now;
        foreach (var step in mend.Plan!.Steps.TakeWhile(step => step.Timing.Wait?.ClosesMin is null))
        {
            mend = mend.Keep(new Happening(RunEventKind.HandsDone, step.Id, At: at = at.AddMinutes(4)), at).Value!;
        }

        var waiting = mend.Plan!.Steps.First(step => step.Timing.Wait?.ClosesMin is not null);
        mend = mend.Keep(new Happening(RunEventKind.HandsDone, waiting.Id, At: at), at).Value!;
        var window = mend.StateAt(at).Window!;
        var days = Planned(ShopFloor.Alone, [.. Enumerable.Range(2, 4).Select(id => Draft("ski-core-shot", id, Now.AddHours(2))), MendToPlan.Running(1, mend, null, at)], now: at);
        var next = days.Blocks.First(block => block.Mend == 1);
        next.StartsAt.ShouldBeInRange(window.OpensAt!.Value, window.ClosesAt!.Value);
        days.Mends.Sum(each => each.Missed).ShouldBe(0);
    }

    /// <summary>A mend of an example that was begun and stands in its first wait of a kind.</summary>
    private static MendToPlan Waiting(string example, int id, AbleMend.Core.Timing.WaitKind kind) => MendToPlan.Running(id, Waiting(example, kind), null, Now);

    private static Mend Waiting(string example, AbleMend.Core.Timing.WaitKind kind)
    {
        var mend = Mend.Open(GalleryTests.Read(example), Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        foreach (var step in mend.Plan!.Steps)
        {
            mend = mend.Keep(new Happening(RunEventKind.HandsDone, step.Id), Now).Value!;
            if (step.Timing.Wait?.Kind == kind)
            {
                return mend;
            }

            mend = step.Timing.Wait is null ? mend : mend.Keep(new Happening(RunEventKind.Ready, step.Id), Now).Value!;
        }

        throw new InvalidOperationException($"{example} has no such wait.");
    }

    [Fact]
    public void What_is_clamped_now_keeps_its_clamp_until_its_wait_is_over()
    {
        var clamped = Waiting("ski-tip-parted", 1, AbleMend.Core.Timing.WaitKind.Hold);
        var opens = clamped.Run!.Fronts[0].Window!.OpensAt!.Value;
        var days = Planned(Two with { Clamps = 1 }, [clamped, Draft("ski-tip-parted", 2)]);
        days.Blocks.Where(block => block.Mend == 2 && block.Waits == AbleMend.Core.Timing.WaitKind.Hold).ShouldHaveSingleItem().StartsAt.ShouldBeGreaterThanOrEqualTo(opens.AddMinutes(-DayProblem.SlotMin));
        Planned(Two with { Clamps = 2 }, [clamped, Draft("ski-tip-parted", 2)]).Mends.Single(mend => mend.Mend == 2).ReadyAt!.Value.ShouldBeLessThan(days.Mends.Single(mend => mend.Mend == 2).ReadyAt!.Value);

        var clamps = days.Taken.Where(taken => taken.Thing == SharedThing.Clamp).ToList();
        clamps.Select(taken => (taken.Mend, taken.Number)).ShouldBe([(1, 1), (2, 1)]);
        clamps[0].From.ShouldBe(Now);
        clamps[0].Until.ShouldBeLessThanOrEqualTo(clamps[1].From);
    }

    [Fact]
    public void A_place_in_the_warm_has_things_ready_sooner_and_is_taken_by_one_at_a_time()
    {
        IReadOnlyList<MendToPlan> skis = [.. Enumerable.Range(1, 3).Select(id => Draft("ski-tip-parted", id))];
        var floor = Two with { Clamps = 3 };
        static double Ends(DaysPlan days) => days.Mends.Sum(mend => (mend.ReadyAt!.Value - Now).TotalHours);
        var (cold, warm, warmer) = (Planned(floor, skis), Planned(floor with { WarmPlaces = 1 }, skis), Planned(floor with { WarmPlaces = 3 }, skis));
        cold.Blocks.ShouldAllBe(block => !block.InWarm);
        Ends(warm).ShouldBeLessThan(Ends(cold) - 1);
        Ends(warmer).ShouldBeLessThan(Ends(warm));
        var stands = warm.Taken.Where(taken => taken.Thing == SharedThing.Warm).ToList();
        stands.ShouldNotBeEmpty();
        stands.ShouldAllBe(taken => taken.Number == 1);
        stands.Zip(stands.Skip(1)).ShouldAllBe(pair => pair.First.Until <= pair.Second.From);
        warm.Blocks.Where(block => block.InWarm).Select(block => block.Mend).ShouldBe(stands.Select(taken => taken.Mend), ignoreOrder: true);

        // Made anew it stays there; how warm it is is minded.
        IReadOnlyList<MendToPlan> one = [skis[0] with { Wish = new DayWish(NotBefore: Now.AddHours(2)) }];
        static IEnumerable<(string, DateTimeOffset)> Warmed(DaysPlan days) => days.Blocks.Where(block => block.InWarm).Select(block => (block.StepId, block.StartsAt));
        var alone = Planned(floor with { WarmPlaces = 1 }, one);
        Warmed(alone).ShouldNotBeEmpty();
        Warmed(Planned(floor with { WarmPlaces = 1 }, one, alone, Now.AddMinutes(30))).ShouldBe(Warmed(alone));
        var most = skis[0].Plan.Steps.Select(step => step.Timing.Wait?.Warm?.UpToC).Max() ?? 0;
        most.ShouldBeLessThan(45, "what the skis are made of softens");
        Planned(floor with { WarmPlaces = 3, WarmC = 45 }, skis).Blocks.ShouldAllBe(block => !block.InWarm);
    }

    [Fact]
    public void What_stands_in_the_warm_now_keeps_its_place_there_and_what_waits_beside_another_damage_has_none()
    {
        var clamped = Waiting("ski-tip-parted", 1, AbleMend.Core.Timing.WaitKind.Hold);
        var inWarm = MendToPlan.Running(1, Waiting("ski-tip-parted", AbleMend.Core.Timing.WaitKind.Hold).Keep(new Happening(RunEventKind.Warm, Value: 35, Passed: true), Now).Value!, null, Now);
        var over = inWarm.Run!.Window!.OpensAt!.Value;
        over.ShouldBeLessThan(clamped.Run!.Window!.OpensAt!.Value);
        var days = Planned(Two with { WarmPlaces = 1, Places = 1 }, [inWarm, Draft("ski-tip-parted", 2)]);
        days.Taken.Single(taken => taken.Thing == SharedThing.Warm && taken.Mend == 1).ShouldSatisfyAllConditions(taken => taken.From.ShouldBe(Now), taken => taken.Until.ShouldBe(over, TimeSpan.FromMinutes(DayProblem.SlotMin)));
        days.Taken.Where(taken => taken.Thing == SharedThing.Warm && taken.Mend == 2).ShouldAllBe(taken => taken.From >= over);

        Planned(Two with { WarmPlaces = 9 }, [Draft("board-three-dings", 1)]).Blocks.ShouldAllBe(block => !block.InWarm);
    }

    [Fact]
    public void More_that_waits_than_there_are_places_stops_nothing_but_what_needs_a_place_as_well()
    {
        IReadOnlyList<MendToPlan> waiting = [.. Enumerable.Range(1, 3).Select(id => Waiting("ski-tip-parted", id, AbleMend.Core.Timing.WaitKind.Hold))];
        var days = Planned(Two with { Places = 2 }, [.. waiting, Draft("ski-core-shot", 9)]);
        days.Taken.Where(taken => taken.Thing == SharedThing.Place && taken.From == Now).Select(taken => taken.Number).Order().ShouldBe([1, 2, 3]);
        days.Mends.Single(mend => mend.Mend == 9).ReadyAt.ShouldNotBeNull();
    }

    [Fact]
    public void No_two_items_have_one_place_at_once()
    {
        var days = Planned(Two, [.. GalleryTests.Ids.Where(id => Draft(id, 1).Plan is { Verdict.MendedHere: true, ReadyAt: not null }).Take(14).Select((id, i) => Draft(id, i + 1))]);
        days.Taken.ShouldNotBeEmpty();
        foreach (var one in days.Taken.GroupBy(taken => (taken.Thing, taken.Number)))
        {
            one.OrderBy(taken => taken.From).Zip(one.OrderBy(taken => taken.From).Skip(1)).ShouldAllBe(pair => pair.First.Until <= pair.Second.From);
        }

        days.Taken.Max(taken => taken.Thing == SharedThing.Clamp ? taken.Number : 0).ShouldBeLessThanOrEqualTo(Two.Clamps);
    }

    [Fact]
    public void A_mend_can_be_held_back_handed_to_somebody_and_made_to_count_for_more()
    {
        var mends = Enumerable.Range(1, 6).Select(id => Draft("ski-core-shot", id, Now.AddHours(3))).ToList();
        var wishes = new DayWish(Now.AddDays(1), "Two");
        var days = Planned(Two, [mends[0] with { Wish = wishes }, .. mends[1..5], mends[5] with { Wish = new DayWish(Weight: 20) }]);
        days.Blocks.Where(block => block.Mend == 1).ShouldAllBe(block => block.StartsAt >= Now.AddDays(1) && block.Person == 1);
        days.Mends.Single(mend => mend.Mend == 6).LateMin.ShouldBe(days.Mends.Where(mend => mend.Mend != 1).Min(mend => mend.LateMin));
        wishes.Check(Two).ShouldBeEmpty();
        new DayWish(Person: "Three", Weight: 0).Check(Two).Select(problem => problem.Field).ShouldBe(["weight", "person"]);
    }

    [Fact]
    public void A_mend_can_be_pinned_to_a_time_and_kept_from_somebody_and_the_rest_makes_way()
    {
        var mends = Enumerable.Range(1, 6).Select(id => Draft("ski-core-shot", id, Now.AddHours(3))).ToList();
        var at = Now.AddHours(2);
        var days = Planned(Two, [mends[0] with { Wish = new DayWish(BeginAt: at, NotBy: ["One"]) }, .. mends[1..]]);
        var own = days.Blocks.Where(block => block.Mend == 1).OrderBy(block => block.StartsAt).ToList();
        own[0].ShouldSatisfyAllConditions(first => first.StartsAt.ShouldBe(at), first => first.Pinned.ShouldBeTrue(), first => first.Missed.ShouldBeFalse());
        own.ShouldAllBe(block => block.Person == 1);
        own.Skip(1).ShouldAllBe(block => !block.Pinned);
        days.Blocks.Where(block => block.Mend != 1).ShouldAllBe(block => !block.Pinned);

        // Pinned to the night, when nobody is there: it begins as soon as somebody comes, and that is said.
        var night = Planned(Two, [mends[0] with { Wish = new DayWish(BeginAt: Now.Date.AddHours(23)) }]).Blocks.MinBy(block => block.StartsAt)!;
        night.ShouldSatisfyAllConditions(block => block.Missed.ShouldBeTrue(), block => block.Pinned.ShouldBeTrue(), block => block.StartsAt.Hour.ShouldBeInRange(7, 9));
        // A time that is over pins nothing any more.
        Planned(Two, [mends[0] with { Wish = new DayWish(BeginAt: Now.AddDays(-1)) }]).Blocks.ShouldAllBe(block => !block.Pinned && !block.Missed);
    }

    [Fact]
    public void Wishes_that_contradict_themselves_or_leave_nobody_are_refused()
    {
        new DayWish(Person: "One", NotBy: ["One"]).Check(Two).ShouldHaveSingleItem().Field.ShouldBe("notBy");
        new DayWish(NotBy: ["One", "Two"]).Check(Two).ShouldHaveSingleItem().Code.ShouldBe("nobody-left");
        new DayWish(NotBy: ["Three"]).Check(Two).ShouldHaveSingleItem().Code.ShouldBe("unknown-person");
        new DayWish(NotBefore: Now.AddDays(2), BeginAt: Now.AddDays(1)).Check(Two).ShouldHaveSingleItem().Field.ShouldBe("beginAt");
        new DayWish(NotBefore: Now, BeginAt: Now.AddDays(1), NotBy: ["One"]).Check(Two).ShouldBeEmpty();
        // Somebody has gone since, and the one who is left was to be kept from it: it is done all the same.
        Planned(ShopFloor.Alone, [Draft("ski-core-shot", 1, Now.AddHours(3)) with { Wish = new DayWish(NotBy: [ShopFloor.Alone.People[0].Name]) }]).Blocks.ShouldNotBeEmpty();
    }

    [Fact]
    public void Made_anew_nothing_moves_unless_something_happened_and_then_it_says_why()
    {
        var mends = new[] { "ski-core-shot", "fin-box-surround", "tent-pole-split", "boot-heel-worn" }.Select((id, i) => Draft(id, i + 1, Now.AddDays(4))).ToList();
        var first = Planned(ShopFloor.Alone, mends);
        Planned(ShopFloor.Alone, mends, first).Moved.ShouldBeEmpty();
        var late = Planned(ShopFloor.Alone, mends, first, Now.AddHours(1));
        late.Moved.ShouldContain(move => move.Why == WhyMoved.NotBegun && move.From == first.Blocks[0].StartsAt);
        late.Moved.ShouldAllBe(move => move.To >= Now.AddHours(1));
        var urgent = Planned(ShopFloor.Alone, [.. mends, Draft("deck-ding-quick", 9, Now.AddHours(2.5))], first);
        urgent.Mends.Single(mend => mend.Mend == 9).LateMin.ShouldBe(0);
        urgent.Moved.ShouldNotBeEmpty();
    }

    [Fact]
    public void A_plan_says_what_it_is_worth_what_none_could_better_and_what_looking_on_has_gained()
    {
        var (one, late) = (Draft("ski-core-shot", 1), Planned(ShopFloor.Alone, [Draft("ski-core-shot", 1, Now.AddHours(1))]));
        late.Worth.ShouldNotBeNull().ShouldSatisfyAllConditions(
            worth => worth.LateMin.ShouldBe(late.Mends[0].LateMin, 5),
            worth => worth.LeastLateMin.ShouldBe(worth.LateMin, "alone in the shop it is as early as can be"),
            worth => worth.LessLateMin.ShouldBe(0));
        Planned(ShopFloor.Alone, [one]).Worth!.LateMin.ShouldBe(0);

        var mends = GalleryTests.Ids.Where(id => Draft(id, 1).Plan is { Verdict.MendedHere: true, ReadyAt: not null }).Select((id, i) => Draft(id, i + 1, Now.AddHours(3 + (i * 5 % 60)))).ToList();
        var draft = new ShopDays(Two, Bench).Begin(mends, Now);
        var first = draft.Laid();
        draft.IsProven.ShouldBeFalse();
        var asked = 0;
        draft.Improve(() => asked++ / 60.0);
        var better = draft.Laid();
        better.At.ShouldBe(first.At);
        (better.Worth!.Missed, better.Worth.LateMin).ShouldBe((first.Worth!.Missed - better.Worth.FewerMissed, first.Worth.LateMin - better.Worth.LessLateMin));
        better.Worth.LessLateMin.ShouldBeGreaterThan(0);
        better.Worth.LeastLateMin.ShouldBeInRange(1, better.Worth.LateMin);
    }
}
