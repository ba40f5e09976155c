using AbleMend.Core.Cases;
using AbleMend.Core.Mixing;
using AbleMend.Core.Running;
using AbleMend.Core.Stock;

namespace AbleMend.Core.Tests.Running;

/// <summary>One cup for several mends: only where chemistry, cup, heat and hands allow it, with every gram told once.</summary>
public class CupsTogetherTests
{
    private const string Mix = "glass-mix";

    /// <summary>A mend that has come to its mix, at an instant that all share.</summary>
    private static MendAtBench At(int id, string item, DateTimeOffset at, RepairCase? repairCase = null, string mix = Mix)
    {
        var (mend, now) = (Mend.Open(repairCase ?? Small, Cases.Planner, Cases.Morning).Value!.Start(Cases.Planner, Cases.Morning).Value!, Cases.Morning);
        while (mend.StateAt(now) is { } state && state.CurrentStepId != mix)
        {
            now = now.AddMinutes(3);
            mend = mend.Keep(new Happening(state.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, state.CurrentStepId), now).Value.ShouldNotBeNull();
        }

        now.ShouldBeLessThan(at);
        return new MendAtBench(id, item, mend);
    }

    private static readonly DateTimeOffset Now = Cases.Morning.AddHours(4);

    private static RepairCase Small => ByCup with { Tools = ByCup.Tools with { Measure = new ScaleDevice(0.1) } };

    private static RepairCase ByCup => Cases.DeckDing().Chosen(new Choice("fill-glass-coat", "epoxy-2to1", "glass-203")) with { Bench = new BenchFacts(17, 55) };

    private static MendAtBench Kept(MendAtBench at, Happening happening, DateTimeOffset when) =>
        at with { Mend = at.Mend.Keep(happening, when) is { Value: { } kept } ? kept : throw new InvalidOperationException(at.Mend.Keep(happening, when).Problems[0].Message.ToString()) };

    private static MendAtBench Told(MendAtBench at, Mend before, Mend after) =>
        at with { Mend = CupsTogether.Follow(before, after).Where(news => news.Mend == at.Id).Aggregate(at.Mend, CupsTogether.Tell) };

    private static double TakenBy(MendAtBench at, RunEventKind by = RunEventKind.HandsDone)
    {
        var standing = Run.Standing(at.Mend.Events);
        var last = standing.ToList().FindLastIndex(each => each.StepId == Mix && each.Kind == by);
        return Amount.TakenBy(at.Mend.Plan!, at.Mend.Plan!.Steps.First(step => step.Id == Mix), [.. standing.Take(last + 1)]).Single().Value;
    }

    [Fact]
    public void Two_that_mix_the_same_are_offered_one_cup_with_the_sum_of_both()
    {
        var (one, two) = (At(1, "Blue", Now), At(2, "Red", Now));
        var offer = CupsTogether.Offers(one, [one, two], Now).ShouldHaveSingleItem();
        var own = one.Mend.StateAt(Now).Fronts[0].Cup!.Parts.Sum(part => part.Wanted);
        offer.ShouldSatisfyAllConditions(
            each => (each.Mend, each.StepId, each.IsWeighed).ShouldBe((1, Mix, true)),
            each => each.Others.ShouldHaveSingleItem().ShouldBe(new CupShare(2, "Red", Mix, each.Own)),
            each => each.Total.ShouldBe(each.Own * 2, 1e-9),
            each => (each.Total + each.Spared).ShouldBe(2 * own, 1e-9),
            each => each.WorkMin.ShouldBeLessThanOrEqualTo(each.LifeMin!.Value),
            each => each.LeftOut.ShouldBeEmpty());
    }

    [Fact]
    public void What_could_not_be_measured_finer_is_mixed_once_and_not_twice()
    {
        var (one, two) = (At(1, "Blue", Now, ByCup), At(2, "Red", Now, ByCup));
        var cup = one.Mend.Plan!.Steps.First(step => step.Id == Mix).Pour!.Cup!;
        cup.NeededShare.ShouldBeLessThan(0.6, "a cup with coarse lines makes more than is needed");
        var offer = CupsTogether.Offers(one, [two], Now).ShouldHaveSingleItem();
        offer.Spared.ShouldBeGreaterThan(offer.Total * 0.5);
        var own = one.Mend.StateAt(Now).Fronts[0].Cup!.Parts.Sum(part => part.Wanted);
        offer.Total.ShouldBe(Math.Max(own, 2 * own * cup.NeededShare), 1e-6);
    }

    [Fact]
    public void Another_resin_another_filler_or_a_mix_that_is_not_next_shares_nothing()
    {
        var one = At(1, "Blue", Now, Cases.FinBox());
        var other = Cases.FinBox().Chosen(new Choice("fill-glass-coat", "epoxy-1to1", "glass-203"));
        CupsTogether.Offers(one, [At(2, "Red", Now, other)], Now).ShouldBeEmpty("another hardener");
        var running = Mend.Open(Cases.FinBox(), Cases.Planner, Now).Value!.Start(Cases.Planner, Now).Value!;
        var coming = CupsTogether.Offers(one, [new MendAtBench(3, "Green", running)], Now);
        coming.SelectMany(each => each.Others).ShouldBeEmpty("it is not there yet");
        coming.ShouldHaveSingleItem().Coming.ShouldHaveSingleItem().ShouldSatisfyAllConditions(each => each.Mend.ShouldBe(3), each => each.At.ShouldBeInRange(Now, Now.AddMinutes(90)));
    }

    [Fact]
    public void What_one_cup_does_not_bear_is_left_out_with_its_reason()
    {
        IReadOnlyList<MendAtBench> all = [.. Enumerable.Range(1, 6).Select(i => At(i, $"Board {i}", Now, Cases.FinBox()))];
        var offer = CupsTogether.Offers(all[0], all, Now).ShouldHaveSingleItem();
        offer.Others.ShouldNotBeEmpty("a second fin box is still reached in time");
        offer.LeftOut.ShouldNotBeEmpty();
        offer.LeftOut.ShouldAllBe(left => Voice.Plain.Say(left.Why).Contains("hotter in the cup than it stands"));
        CupsTogether.Join(all[0], Mix, [.. all.Where(each => offer.Others.Any(other => other.Mend == each.Id))], Now).Value.ShouldNotBeNull("what is offered is taken");

        var refused = CupsTogether.Join(all[0], Mix, [.. all.Skip(1)], Now);
        refused.Value.ShouldBeNull();
        refused.Problems.ShouldHaveSingleItem().Field.ShouldBeOneOf("with", "stepId");
    }

    [Fact]
    public void The_host_pours_for_all_and_the_guest_waits_for_its_share()
    {
        var joined = CupsTogether.Join(At(1, "Blue", Now), Mix, [At(2, "Red", Now)], Now).Value!;
        var (host, guest) = (joined[0], joined[1]);
        var cup = host.Mend.StateAt(Now).Fronts[0].Cup.ShouldNotBeNull();
        cup.Parts.Sum(part => part.Wanted).ShouldBe(host.Mend.StateAt(Now).Fronts[0].Together!.Total, 1e-9);
        guest.Mend.StateAt(Now).Fronts[0].ShouldSatisfyAllConditions(front => front.Cup.ShouldBeNull(), front => front.WaitsForCup.ShouldBeTrue(), front => front.Together!.Others[0].Mend.ShouldBe(1));
        guest.Mend.Keep(new Happening(RunEventKind.HandsDone, Mix), Now).Problems.ShouldHaveSingleItem().Code.ShouldBe("mixed-elsewhere");
        BenchOrder.UrgencyOf(guest.Mend.StateAt(Now), Now).ShouldBe(Urgency.Waiting);

        // Hardener two minutes on, stirred three minutes later: both are spread against the same clock.
        var at = Now.AddMinutes(2);
        foreach (var part in (MixPart[])[MixPart.Resin, MixPart.Hardener])
        {
            host = Kept(host, new Happening(RunEventKind.Poured, Mix, Kebab<MixPart>.Id(part), host.Mend.StateAt(at).Fronts[0].Cup!.Change, Resolution: 0.1), at);
        }

        var before = host.Mend;
        host = Kept(host, new Happening(RunEventKind.HandsDone, Mix), at.AddMinutes(3));
        guest = Told(guest, before, host.Mend);
        var (hosts, guests) = (host.Mend.StateAt(at.AddMinutes(3)), guest.Mend.StateAt(at.AddMinutes(3)));
        guests.CurrentStepId.ShouldBe(hosts.CurrentStepId);
        guests.UseBy.ShouldNotBeNull().ShouldBe(hosts.UseBy!.Value, TimeSpan.FromSeconds(1));
        var alone = Cases.Planner.Catalogue.CupOf(Cases.Planner.Catalogue.Materials["epoxy-2to1"])!.Simulate(hosts.Fronts[0].Together!.Total, 17, CupShape.Cup).SpreadMin;
        guests.UseBy!.Value.ShouldBe(at.AddMinutes(alone), TimeSpan.FromSeconds(5), "more in a cup sets sooner");
        host.Mend.Keep(new Happening(RunEventKind.Undo), at.AddMinutes(4)).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-now");
        guest.Mend.Keep(new Happening(RunEventKind.Undo), at.AddMinutes(4)).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-now");
    }

    // Nobody weighs: the life of the larger cup holds for both.
    [Fact]
    public void What_nobody_weighed_goes_by_the_life_of_the_larger_cup()
    {
        var joined = CupsTogether.Join(At(1, "Blue", Now), Mix, [At(2, "Red", Now)], Now).Value!;
        var (host, guest) = (joined[0], joined[1]);
        host = Kept(host, new Happening(RunEventKind.Begin, Mix), Now);
        var before = host.Mend;
        host = Kept(host, new Happening(RunEventKind.HandsDone, Mix), Now.AddMinutes(3));
        guest = Told(guest, before, host.Mend);
        var life = Run.Standing(host.Mend.Events).First(each => each.Kind == RunEventKind.CupTogether).Cup!.LifeMin!.Value;
        life.ShouldBeLessThan(host.Mend.Plan!.Steps.First(step => step.Id == Mix).UseWithinMin!.Value);
        host.Mend.StateAt(Now.AddMinutes(3)).UseBy!.Value.ShouldBe(Now.AddMinutes(life), TimeSpan.FromSeconds(1));
        guest.Mend.StateAt(Now.AddMinutes(3)).UseBy!.Value.ShouldBe(Now.AddMinutes(life), TimeSpan.FromSeconds(1));
    }

    [Theory]
    [InlineData(1.0)]
    [InlineData(1.25)]
    [InlineData(0.0)]
    public void Every_gram_comes_off_the_shelf_once(double pouredShare)
    {
        var joined = CupsTogether.Join(At(1, "Blue", Now, ByCup), Mix, [At(2, "Red", Now, ByCup), At(3, "Green", Now, ByCup)], Now).Value!;
        var host = joined[0];
        var planned = TakenBy(At(9, "Alone", Now, ByCup) is var alone ? Kept(alone, new Happening(RunEventKind.HandsDone, Mix), Now) : null!);
        var resin = host.Mend.StateAt(Now).Fronts[0].Cup!.Change;
        var total = host.Mend.StateAt(Now).Fronts[0].Together!;
        if (pouredShare > 0)
        {
            host = Kept(host, new Happening(RunEventKind.Poured, Mix, Kebab<MixPart>.Id(MixPart.Resin), resin * pouredShare, Resolution: 0.1), Now);
        }

        var before = host.Mend;
        host = Kept(host, new Happening(RunEventKind.HandsDone, Mix), Now.AddMinutes(3));
        var guests = joined.Skip(1).Select(each => Told(each, before, host.Mend)).ToList();
        var taken = TakenBy(host) + guests.Sum(guest => TakenBy(guest, RunEventKind.CupShared));
        taken.ShouldBe(planned * total.Scale * (pouredShare == 0 ? 1 : pouredShare), 1e-6);
        guests.ShouldAllBe(guest => TakenBy(guest, RunEventKind.CupShared) > 0);
    }

    [Fact]
    public void Apart_again_everybody_mixes_its_own_and_may_take_back_what_came_before()
    {
        var joined = CupsTogether.Join(At(1, "Blue", Now), Mix, [At(2, "Red", Now), At(3, "Green", Now)], Now).Value!;
        joined[0].Mend.StateAt(Now).CanUndo.ShouldBeFalse("what lies before the cup holds for others too");
        var guest = Kept(joined[1], new Happening(RunEventKind.CupApart, Mix), Now.AddMinutes(1));
        var others = ((MendAtBench[])[joined[0], joined[2]]).Select(each => Told(each, joined[1].Mend, guest.Mend)).ToList();
        foreach (var each in others.Append(guest))
        {
            var state = each.Mend.StateAt(Now.AddMinutes(1));
            state.Fronts[0].ShouldSatisfyAllConditions(front => front.Together.ShouldBeNull(), front => front.Cup.ShouldNotBeNull());
            state.CanUndo.ShouldBe(each.Id != 2 || state.CanUndo);
        }

        others[0].Mend.StateAt(Now.AddMinutes(1)).CanUndo.ShouldBeTrue();
    }

    [Fact]
    public void Who_goes_back_before_the_mix_leaves_the_cup_to_nobody()
    {
        var joined = CupsTogether.Join(At(1, "Blue", Now), Mix, [At(2, "Red", Now)], Now).Value!;
        var guest = Kept(joined[1], new Happening(RunEventKind.Redo, joined[1].Mend.Plan!.Steps[0].Id), Now.AddMinutes(1));
        var host = Told(joined[0], joined[1].Mend, guest.Mend);
        host.Mend.StateAt(Now.AddMinutes(1)).Fronts[0].Together.ShouldBeNull();
        CupsTogether.Tell(host.Mend, new CupNews(1, Mix, RunEventKind.CupShared, Now, Now, Now)).ShouldBeSameAs(host.Mend);
    }

    [Fact]
    public void A_cup_that_is_shared_is_not_shared_again_nor_poured_apart_once_it_is_begun()
    {
        var joined = CupsTogether.Join(At(1, "Blue", Now), Mix, [At(2, "Red", Now)], Now).Value!;
        CupsTogether.Offers(At(3, "Green", Now), joined, Now).ShouldBeEmpty();
        CupsTogether.Join(joined[0], Mix, [At(3, "Green", Now)], Now).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-this-step");
        CupsTogether.Join(At(3, "Green", Now), Mix, [joined[1]], Now).Problems.ShouldHaveSingleItem().Code.ShouldBe("cannot-share");
        CupsTogether.Join(At(3, "Green", Now), Mix, [], Now).Problems.ShouldHaveSingleItem().Code.ShouldBe("empty");
        var host = Kept(joined[0], new Happening(RunEventKind.Poured, Mix, Kebab<MixPart>.Id(MixPart.Resin), 5, Resolution: 0.1), Now);
        host.Mend.Keep(new Happening(RunEventKind.CupApart, Mix), Now).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-now");
        var apart = joined[1].Mend.Keep(new Happening(RunEventKind.CupApart, Mix), Now).Value!;
        var news = CupsTogether.Follow(joined[1].Mend, apart).ShouldHaveSingleItem();
        CupsTogether.Refuse(apart, host.Mend, news).ShouldNotBeNull().Code.ShouldBe("being-mixed");
        CupsTogether.Refuse(apart, joined[0].Mend, news).ShouldBeNull("nothing is poured yet");
        host.Mend.Keep(new Happening(RunEventKind.CupTogether, Mix), Now).Problems.ShouldHaveSingleItem().Code.ShouldBe("not-by-hand");
    }

    // Drops, strokes and half kits are whole, however many share the cup. Common practice, no source.
    [Fact]
    public void What_is_counted_stays_whole()
    {
        var patch = Gallery.GalleryTests.Read("inflatable-board-puncture");
        var mix = Mend.Open(patch, Cases.Planner, Cases.Morning).Value!.Start(Cases.Planner, Cases.Morning).Value!.Plan!.Steps.FirstOrDefault(step => step.Pour?.Cup?.Wholes is not null)?.Id.ShouldNotBeNull();
        var (one, two) = (At(1, "Blue", Now.AddDays(3), patch, mix!), At(2, "Red", Now.AddDays(3), patch, mix!));
        var now = new[] { one, two }.Max(each => each.Mend.Events[^1].At);
        var cup = one.Mend.Plan!.Steps.First(step => step.Id == mix).Pour!.Cup!;
        var offer = CupsTogether.Offers(one, [two], now).ShouldHaveSingleItem();
        var scale = offer.Total / one.Mend.StateAt(now).Fronts[0].Cup!.Parts.Sum(part => part.Wanted);
        (scale * cup.Wholes!.Value).ShouldBe(Math.Round(scale * cup.Wholes.Value), 1e-9);
        offer.Spared.ShouldBeGreaterThan(0, "half a kit does for two small patches");
    }

    /// <summary>Every worked case beside itself: whatever it mixes, what is offered holds all that is needed, in whole drops, and no more than cups of their own.</summary>
    [Fact]
    public void Every_worked_case_shares_with_its_like_and_keeps_the_laws()
    {
        var shared = 0;
        foreach (var id in Gallery.GalleryTests.Ids)
        {
            if (Cases.Planner.Plan(Gallery.GalleryTests.Read(id).StartingAt(Cases.Morning)).Value is not { Verdict.MendedHere: true } plan || plan.Steps.FirstOrDefault(step => step.Pour?.Cup is not null) is not { } mix)
            {
                continue;
            }

            var (one, two) = (At(1, "Blue", DateTimeOffset.MaxValue, Gallery.GalleryTests.Read(id), mix.Id), At(2, "Red", DateTimeOffset.MaxValue, Gallery.GalleryTests.Read(id), mix.Id));
            var now = one.Mend.Events.Count == 0 ? Cases.Morning : one.Mend.Events[^1].At;
            foreach (var offer in CupsTogether.Offers(one, [two], now).Where(each => each.Others.Count > 0))
            {
                shared++;
                var cup = one.Mend.Plan!.Steps.First(step => step.Id == offer.StepId).Pour!.Cup!;
                var own = one.Mend.StateAt(now).Fronts.First(front => front.StepId == offer.StepId).Cup!.Parts.Sum(part => part.Wanted);
                offer.ShouldSatisfyAllConditions(
                    each => (each.Own + each.Others.Sum(other => other.Amount)).ShouldBe(each.Total, 1e-9, id),
                    each => each.Total.ShouldBeGreaterThanOrEqualTo((2 * own * cup.NeededShare) - 1e-9, id),
                    each => each.Total.ShouldBeLessThanOrEqualTo((2 * own) + 1e-9, id),
                    each => (each.Total / own * (cup.Wholes ?? 0) % 1).ShouldBeInRange(-1e-9, 1e-6, id),
                    each => each.WorkMin.ShouldBeLessThanOrEqualTo(each.LifeMin ?? double.MaxValue, id));
                var joined = CupsTogether.Join(one, offer.StepId, [two], now).Value.ShouldNotBeNull(id);
                joined[0].Mend.StateAt(now).Fronts.First(front => front.StepId == offer.StepId).Cup!.Parts.Sum(part => part.Wanted).ShouldBe(offer.Total, 1e-6, id);
            }
        }

        shared.ShouldBeGreaterThan(8, "many of the worked cases mix something");
    }
}
