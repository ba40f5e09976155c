using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Running;

/// <summary>What a mend is told of a cup that it shares.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="StepId">Its mix.</param>
/// <param name="Kind">Whether it was mixed, or is not mixed after all.</param>
/// <param name="At">When.</param>
/// <param name="BeganAt">When it began to set.</param>
/// <param name="UseBy">When it can no longer be spread; null for what keeps.</param>
public sealed record CupNews(int Mend, string StepId, RunEventKind Kind, DateTimeOffset At, DateTimeOffset? BeganAt, DateTimeOffset? UseBy);

/// <summary>
/// One cup, several mends. Mends that stand before the same mix may share a cup: it is mixed at one of them for what all of them need, as long
/// as one cup holds it, bears its own heat and is spread everywhere within its life.
/// </summary>
public static class CupsTogether
{
    /// <summary>Minutes to carry a cup to the next item. From memory.</summary>
    public const double ToNextMin = 1;

    /// <summary>Most mends that one cup is carried to: more are no longer reached with a brush in hand. From memory.</summary>
    public const int Most = 6;

    /// <summary>How far ahead another mend's mix is worth waiting for.</summary>
    private static readonly TimeSpan Soon = TimeSpan.FromMinutes(90);

    /// <summary>How far the ratio of a part may differ between plans that share a cup, of what sets well: plans of another morning dose a little otherwise.</summary>
    private const double LikeShare = 0.2;

    private const double LeastLikePercent = 1;

    /// <summary>Cups that would do for a mend and others, one for each of its mixes that is next.</summary>
    /// <param name="host">The mend that would mix.</param>
    /// <param name="others">All others under way.</param>
    /// <param name="now">The present.</param>
    public static IReadOnlyList<CupOffer> Offers(MendAtBench host, IReadOnlyList<MendAtBench> others, DateTimeOffset now)
    {
        var own = MixesOf(host, now).Where(mix => mix.IsNext).ToList();
        if (own.Count == 0)
        {
            return [];
        }

        var all = others.Where(other => other.Id != host.Id).SelectMany(other => MixesOf(other, now)).ToList();
        return [.. own.Where(mix => Fit.Of([mix]).Why is null).Select(mix => Offer(mix, all, now)).OfType<CupOffer>()];
    }

    /// <summary>Joins mends in one cup.</summary>
    /// <param name="host">The mend that mixes.</param>
    /// <param name="stepId">Its mix.</param>
    /// <param name="guests">Those that take from it.</param>
    /// <param name="now">The present.</param>
    /// <returns>Every mend with the cup as its newest event, the host first; or why it cannot be.</returns>
    public static Outcome<IReadOnlyList<MendAtBench>> Join(MendAtBench host, string stepId, IReadOnlyList<MendAtBench> guests, DateTimeOffset now)
    {
        var next = MixesOf(host, now).FirstOrDefault(mix => mix.IsNext && mix.Step.Id == stepId);
        if (next is null)
        {
            return Outcome<IReadOnlyList<MendAtBench>>.Failed(new Problem("not-this-step", "stepId", "No cup of this step is waiting to be mixed.", "Reload the mend: it went on elsewhere."));
        }

        var (joined, fits) = (new List<Mixing> { next }, Fit.Of([next]));
        foreach (var guest in guests)
        {
            var like = MixesOf(guest, now).FirstOrDefault(mix => mix.IsNext && mix.IsLike(next));
            var more = like is null ? null : Fit.Of([.. joined, like]);
            if (like is null || more?.Why is not null || joined.Count >= Most)
            {
                return Outcome<IReadOnlyList<MendAtBench>>.Failed(new Problem("cannot-share", "with", like is null || more?.Why is null ? $"“{guest.Item:as-is}” does not mix the same now." : (Message)$"“{guest.Item:as-is}”: {more.Why}", "Mix a cup of its own for it."));
            }

            joined.Add(like);
            fits = more!;
        }

        return joined.Count < 2
            ? Outcome<IReadOnlyList<MendAtBench>>.Failed(new Problem("empty", "with", "Nobody is named who takes from the cup.", "Name at least one other mend."))
            : Outcome<IReadOnlyList<MendAtBench>>.Of([.. joined.Select((mix, i) => mix.At with { Mend = mix.At.Mend.With(RunEventKind.CupTogether, mix.Step.Id, now, fits.As(i)) })]);
    }

    /// <summary>What the others who share a cup are told after something happened at one of them.</summary>
    /// <param name="before">That mend, as it was.</param>
    /// <param name="after">As it is.</param>
    public static IReadOnlyList<CupNews> Follow(Mend before, Mend after)
    {
        if (after.Plan is not { } plan || after.Events is not [.., { } newest] || after.Events.Count == before.Events.Count)
        {
            return [];
        }

        var (was, stands) = (Run.Standing(before.Events), Run.Standing(after.Events));
        return
        [
            .. from mix in before.Plan!.Steps
               where mix.Pour?.Cup is not null
               let together = CupsInHand.TogetherOf(before.Plan, mix, was)
               where together is { BeganAt: null } && !was.Any(each => each.StepId == mix.Id && each.Kind == RunEventKind.HandsDone && each.Number > was.Last(one => one.Kind == RunEventKind.CupTogether && one.StepId == mix.Id).Number)
               let isApart = CupsInHand.TogetherOf(plan, mix, stands) is null
               let isMixed = newest.Kind == RunEventKind.HandsDone && newest.StepId == mix.Id && together.IsMixedHere
               where isApart || isMixed
               let times = isMixed ? after.CupTimes(mix, newest.At) : default
               from other in together.Others
               select new CupNews(other.Mend, other.StepId, isApart ? RunEventKind.CupApart : RunEventKind.CupShared, newest.At, times.BeganAt, times.UseBy),
        ];
    }

    /// <summary>Why a cup cannot be taken apart: it is being mixed already, for all of them. Null where it can.</summary>
    /// <param name="after">The mend where something happened.</param>
    /// <param name="told">Another that is told of it.</param>
    /// <param name="news">What it is told.</param>
    public static Problem? Refuse(Mend after, Mend told, CupNews news) =>
        after.Events is [.., { Kind: RunEventKind.CupApart, At: var at }] && told is { Status: MendStatus.Running, Plan: { } plan } && plan.Steps.FirstOrDefault(step => step.Id == news.StepId) is { } mix
            && CupsInHand.TogetherOf(plan, mix, Run.Standing(told.Events)) is { IsMixedHere: true } && IsBegun(told, mix, at)
            ? new Problem("being-mixed", "kind", "That cup is being mixed already, for all of them.", "Take the share from it, or let whoever mixes it throw it out first.")
            : null;

    private static bool IsBegun(Mend mend, PlanStep mix, DateTimeOffset at) =>
        mend.StateAt(at) is var state && (state.Steps.First(step => step.StepId == mix.Id).Phase != StepPhase.Next || state.Fronts.Any(front => front.StepId == mix.Id && front.Cup?.Parts.Any(part => part.Poured > 0) == true));

    /// <summary>Tells a mend what became of the cup that it shares; one that no longer shares it is left as it is.</summary>
    public static Mend Tell(Mend mend, CupNews news) =>
        mend is { Status: MendStatus.Running, Plan: { } plan } && plan.Steps.FirstOrDefault(step => step.Id == news.StepId) is { } mix
            && CupsInHand.TogetherOf(plan, mix, Run.Standing(mend.Events)) is { BeganAt: null } together
            ? mend.With(news.Kind, news.StepId, news.At, news.Kind == RunEventKind.CupShared ? together with { BeganAt = news.BeganAt, UseBy = news.UseBy } : null)
            : mend;

    private static CupOffer? Offer(Mixing host, IReadOnlyList<Mixing> all, DateTimeOffset now)
    {
        var (joined, fits, left) = (new List<Mixing> { host }, Fit.Of([host]), new List<CupLeftOut>());
        foreach (var like in all.Where(mix => mix.IsNext && mix.IsLike(host)))
        {
            if (joined.Any(mix => mix.At.Id == like.At.Id))
            {
                continue;
            }

            var more = Fit.Of([.. joined, like]);
            if (more.Why is not null || joined.Count >= Most)
            {
                left.Add(new CupLeftOut(like.At.Id, like.At.Item, (more.Why ?? "One cup is carried to no more items.").Told()));
                continue;
            }

            joined.Add(like);
            fits = more;
        }

        IReadOnlyList<CupComing> coming =
        [
            .. all.Where(mix => !mix.IsNext && mix.StartsAt is { } at && at > now && at - now <= Soon && mix.IsLike(host))
                .GroupBy(mix => mix.At.Id).Select(group => group.MinBy(mix => mix.StartsAt)!).Select(mix => new CupComing(mix.At.Id, mix.At.Item, mix.StartsAt!.Value)).OrderBy(each => each.At),
        ];
        if (joined.Count < 2 && left.Count == 0 && coming.Count == 0)
        {
            return null;
        }

        var own = fits.As(0);
        return new CupOffer(host.At.Id, host.Step.Id, own.Own, own.Total, own.IsWeighed, fits.Spared, own.WorkMin, fits.LifeMin, own.Others, left, coming);
    }

    /// <summary>The mixes of a mend that are still to come, those that are next among them; what is shared already is none of them.</summary>
    private static IEnumerable<Mixing> MixesOf(MendAtBench at, DateTimeOffset now)
    {
        if (at.Mend is not { Status: MendStatus.Running, Plan: { } plan })
        {
            yield break;
        }

        var state = at.Mend.StateAt(now);
        foreach (var step in plan.Steps.Where(step => step.Pour?.Cup is not null))
        {
            var phase = state.Steps.First(each => each.StepId == step.Id).Phase;
            var front = state.Fronts.FirstOrDefault(front => front.StepId == step.Id);
            var isNext = front is { Together: null, WaitsFor: null, HeldUntil: null, Cup: { Number: 1, Of: 1 } cup } && cup.Parts.All(part => part.Poured == 0) && phase == StepPhase.Next;
            if ((isNext || phase == StepPhase.Ahead) && Mixing.Of(at, plan, step, state, isNext, now) is { } mix)
            {
                yield return mix;
            }
        }
    }

    /// <summary>A mix that stands before its cup.</summary>
    /// <param name="At">Whose it is.</param>
    /// <param name="Step">The step.</param>
    /// <param name="Order">Its cup.</param>
    /// <param name="Cup">The same as its plan keeps it.</param>
    /// <param name="IsNext">Whether it is next by hand; else it comes later.</param>
    /// <param name="StartsAt">When it is mixed as it now looks; null where it never comes to that.</param>
    /// <param name="FirstMin">Minutes that its first spreading takes.</param>
    /// <param name="SpanMin">Minutes from mixing until the last that uses it is done.</param>
    /// <param name="AirC">Air at its bench, in °C.</param>
    private sealed record Mixing(MendAtBench At, PlanStep Step, CupOrder Order, CupContents Cup, bool IsNext, DateTimeOffset? StartsAt, double FirstMin, double SpanMin, double AirC)
    {
        /// <value>Resin that is planned, in the cup's unit.</value>
        public double Resin => Order.Parts.First(part => part.Part == MixPart.Resin).Planned;

        /// <value>Resin that is needed of it.</value>
        public double Needed => Resin * Cup.NeededShare;

        public static Mixing? Of(MendAtBench at, RepairPlan plan, PlanStep step, RunState state, bool isNext, DateTimeOffset now)
        {
            var users = plan.Steps.Where(each => each.Uses == step.Id && each.Id != step.Id && each.Stage != Stage.Mix).ToList();
            if (users.Count == 0 || CupsInHand.PlannedOrder(plan, at.Mend.DeviceOf(step), step) is not { } order)
            {
                return null;
            }

            var starts = TimeOf(state, step).StartsAt;
            var ends = TimeOf(state, users[^1]).HandsEndAt;
            return new Mixing(at, step, order, step.Pour!.Cup!, isNext, starts, users[0].Timing.HandsOnMin, (ends - starts)?.TotalMinutes ?? double.PositiveInfinity, at.Mend.Air.TemperatureCAt(now));
        }

        /// <summary>Whether one cup does for both: the same materials in the same ratio, measured alike.</summary>
        public bool IsLike(Mixing other) =>
            Materials.SetEquals(other.Materials)
            && Order.Parts.Select(part => part.Part).SequenceEqual(other.Order.Parts.Select(part => part.Part))
            && Cup.Ingredients.Select(each => each.Grams is null && each.Each is null).SequenceEqual(other.Cup.Ingredients.Select(each => each.Grams is null && each.Each is null))
            && (Cup.Wholes is null) == (other.Cup.Wholes is null)
            && Order.Parts.Zip(other.Order.Parts).All(pair => IsLike(pair.First, Resin, pair.Second, other.Resin));

        private HashSet<string> Materials => [.. (Step.Takes ?? []).Select(taking => taking.Material)];

        private static bool IsLike(PartOrder one, double oneResin, PartOrder other, double otherResin)
        {
            var off = 100 * Math.Abs((one.Planned / oneResin / (other.Planned / otherResin)) - 1);
            return off <= Math.Max(LeastLikePercent, LikeShare * Math.Min(Math.Min(one.LessPercent, one.MorePercent), Math.Min(other.LessPercent, other.MorePercent)));
        }

        private static TimedStep TimeOf(RunState state, PlanStep step) => state.Timeline.First(each => each.StepId == step.Id);
    }

    /// <summary>Mixes in one cup, the first of them where it is mixed.</summary>
    /// <param name="Mixes">The mixes.</param>
    /// <param name="Scale">How many times the first one's cup it is.</param>
    /// <param name="LifeMin">Minutes for which it can be spread; null for what keeps.</param>
    /// <param name="WorkMin">Minutes until all of it is spread for the first time, mixing included.</param>
    /// <param name="Why">Why one cup does not do; null where it does.</param>
    private sealed record Fit(IReadOnlyList<Mixing> Mixes, double Scale, double? LifeMin, double WorkMin, Message? Why)
    {
        private Mixing Host => Mixes[0];

        private double TotalOf(Mixing mix) => mix.Order.Parts.Sum(part => part.Planned);

        /// <value>How much less is mixed than in cups of their own.</value>
        public double Spared => Mixes.Sum(TotalOf) - (TotalOf(Host) * Scale);

        public static Fit Of(IReadOnlyList<Mixing> mixes)
        {
            var host = mixes[0];
            // What was raised to what can be measured at all is the least that any cup takes.
            var needed = Math.Max(mixes.Sum(mix => mix.Needed), mixes.Where(mix => mix.Cup.NeededShare < 1).Select(mix => mix.Resin).DefaultIfEmpty(0).Min());
            var scale = needed / host.Resin;
            scale = host.Cup.Wholes is { } wholes and > 0 ? Math.Ceiling((scale * wholes) - 1e-9) / wholes : scale;
            var liquid = scale * host.Order.Parts.Where(part => part.Part is MixPart.Resin or MixPart.Hardener).Sum(part => part.Planned);
            var heated = host.Order.Heat is { } model ? new Cup(model).Simulate(liquid, host.AirC, CupShape.Cup) : null;
            double? life = heated?.SpreadMin ?? mixes.Select(mix => mix.Step.UseWithinMin).Min();
            var first = FirstMinOf(mixes);
            var fit = new Fit(mixes, scale, life, Methods.Steps.Mixes.MixingMin + first, null);
            return fit with { Why = fit.TooFull() ?? fit.TooHot(heated) ?? fit.TooLate(first) };
        }

        private static double FirstMinOf(IReadOnlyList<Mixing> mixes) => mixes.Sum(mix => mix.FirstMin) + ((mixes.Count - 1) * ToNextMin);

        private Message? TooFull() =>
            Host.Order.HoldsMl is { } holds && Scale * Host.Order.Parts.Sum(part => part.GPerMl is { } density ? part.Planned / density : 0) > holds ? (Message)$"The cup holds {Ml(holds)}." : null;

        private Message? TooHot(CupResult? heated) =>
            heated is { } hot && hot.PeakC > Host.Order.Heat!.Heat.SafePeakC ? (Message)$"So much of it gets hotter in the cup than it stands: {Celsius(hot.PeakC)}." : null;

        private Message? TooLate(double first) =>
            LifeMin is { } life && (WorkMin > life || Mixes.Any(mix => mix.SpanMin + first - mix.FirstMin > life)) ? (Message)$"It sets within {WallMin(life)}, sooner than it is spread everywhere." : null;

        /// <summary>The cup as one of them knows it.</summary>
        /// <param name="i">Which of them.</param>
        public CupTogether As(int i)
        {
            var (needed, total, mix) = (Mixes.Sum(each => each.Needed), TotalOf(Host) * Scale, Mixes[i]);
            double ShareOf(Mixing each) => each.Needed / needed;
            var cup = Host.Cup.Ingredients.First(each => each.Part == MixPart.Resin);
            return new CupTogether(
                i == 0, total / TotalOf(mix), ShareOf(mix) * Scale * Host.Resin / mix.Resin, WorkMin, LifeMin, total * ShareOf(mix), total, cup.Grams is not null,
                [.. Mixes.Where((_, each) => each != i).Select(each => new CupShare(each.At.Id, each.At.Item, each.Step.Id, total * ShareOf(each)))]);
        }
    }
}
