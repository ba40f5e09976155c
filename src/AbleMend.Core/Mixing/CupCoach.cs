using System.Text.Json.Serialization;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Mixing;

/// <summary>What the hand does with a cup next.</summary>
[JsonConverter(typeof(Kebab<CupTurn>))]
public enum CupTurn
{
    /// <summary>Pour the next part, or more of one.</summary>
    Pour,

    /// <summary>Take some of it out again: nothing has begun to set yet.</summary>
    TakeOut,

    /// <summary>All is in, and in its ratio: stir.</summary>
    Stir,

    /// <summary>It can no longer be put right: throw it out.</summary>
    ThrowOut,
}

/// <summary>How a part of a cup stands.</summary>
/// <param name="Part">Which part.</param>
/// <param name="Wanted">How much is to be in the cup as it now looks, in grams, or in mL where only volumes are known.</param>
/// <param name="Poured">How much is in.</param>
/// <param name="ByHand">What one gram (or mL) of it is in what the hand measures it in: mL, drops, strokes.</param>
/// <param name="Figure">Identifier of the figure that the hand measures, for its name and unit.</param>
/// <param name="IsWeighed">Whether its amounts are grams.</param>
public sealed record PartStand(MixPart Part, double Wanted, double Poured, double ByHand, string Figure, bool IsWeighed);

/// <summary>What is known of a cup while it is filled.</summary>
/// <param name="StepId">The mixing step.</param>
/// <param name="Number">Which of its cups, from 1.</param>
/// <param name="Of">How many there are.</param>
/// <param name="Turn">What the hand does next.</param>
/// <param name="Next">Which part it does that with; null when all are in.</param>
/// <param name="Change">How much of it goes in, or out, in its own unit; 0 when all are in.</param>
/// <param name="Parts">Every part, in order.</param>
/// <param name="OffPercent">How much more hardener or catalyst is in than its share, in percent; null before there is any.</param>
/// <param name="BandPercent">How well that is known, nineteen times out of twenty; null where it is counted in drops.</param>
/// <param name="SetsAt">When it can no longer be spread; null before it has begun to set.</param>
/// <param name="Says">What the hand should know, the weightiest first.</param>
public sealed record CupStand(
    string StepId, int Number, int Of, CupTurn Turn, MixPart? Next, double Change, IReadOnlyList<PartStand> Parts,
    double? OffPercent, double? BandPercent, DateTimeOffset? SetsAt, IReadOnlyList<Message> Says);

/// <summary>What a cup asks for, whatever it is measured with.</summary>
/// <param name="Turn">What the hand does next.</param>
/// <param name="Next">Which part it does that with; null when all are in.</param>
/// <param name="Change">How much of it goes in, or out.</param>
/// <param name="Wanted">How much of every part is to be in, in the order of the parts.</param>
/// <param name="Poured">How much is in.</param>
/// <param name="OffPercent">How much more hardener or catalyst is in than its share, in percent; null before there is any.</param>
/// <param name="BandPercent">How well that is known, nineteen times out of twenty.</param>
/// <param name="SpreadMin">Minutes from the first hardener until it can no longer be spread; null for what does not heat, or has none.</param>
/// <param name="Says">What the hand should know.</param>
public sealed record CupAdvice(
    CupTurn Turn, MixPart? Next, double Change, IReadOnlyList<double> Wanted, IReadOnlyList<double> Poured, double? OffPercent, double? BandPercent, double? SpreadMin, IReadOnlyList<Message> Says);

/// <summary>
/// Goes with a cup as it is filled. What was really poured of one part moves the mark of the next; what would no longer fit the cup, bear its
/// own heat or be spread in time is stopped while it can still be taken out, or thrown out once it sets.
/// </summary>
public static class CupCoach
{
    /// <summary>A part that is short of its mark by less than this, in percent, is in: no hand pours nearer.</summary>
    private const double NearEnoughPercent = 1;

    /// <summary>What the cup asks for.</summary>
    /// <param name="order">The cup.</param>
    /// <param name="pours">What went in, in order.</param>
    /// <param name="airC">Air at the bench in °C.</param>
    public static CupAdvice Advise(CupOrder order, IReadOnlyList<CupPour> pours, double airC)
    {
        var cup = new Filling(order, pours, airC);
        return cup.Sets is { Poured: > 0 } ? Setting(cup) : Open(cup);
    }

    /// <summary>Nothing sets yet: what is too much can still be taken out.</summary>
    private static CupAdvice Open(Filling cup)
    {
        var share = cup.Resin.Poured > 0 ? cup.Resin.Poured / cup.Resin.Order.Planned : 1;
        if (share > 1 && cup.TooMuch(share) is { } why)
        {
            var most = cup.MostShare(share);
            return cup.Says(CupTurn.TakeOut, MixPart.Resin, cup.Resin.Poured - (most * cup.Resin.Order.Planned), most, why);
        }

        var next = cup.Parts.FirstOrDefault(part => part.Poured <= 0);
        return next is null ? cup.Says(CupTurn.Stir, null, 0, share)
            : cup.Says(CupTurn.Pour, next.Order.Part, cup.Wanted(next, share), share, Short(cup, share));
    }

    /// <summary>It has begun to set: what is wrong is put right by more of the other part, or not at all.</summary>
    private static CupAdvice Setting(Filling cup)
    {
        var (resin, sets) = (cup.Resin, cup.Sets!);
        var share = Math.Max(resin.Poured / resin.Order.Planned, sets.Poured / sets.Order.Planned);
        var off = cup.OffPercent!.Value;
        if ((off > sets.Order.MorePercent ? resin : off < -sets.Order.LessPercent ? sets : null) is { } lacking)
        {
            // Heat alone loses no mix: it is poured out flat.
            return (cup.TooFull(share) ?? cup.TooQuick(share)) is { } why
                ? cup.Says(CupTurn.ThrowOut, null, 0, share, OffBy(cup, off), why)
                : cup.Says(CupTurn.Pour, lacking.Order.Part, cup.Wanted(lacking, share) - lacking.Poured, share, OffBy(cup, off), cup.TooHot(share) is null ? null : OutFlat);
        }

        // A ratio inside its tolerance is not put right any further: what is stirred in later goes by what was really poured.
        var kept = resin.Poured / resin.Order.Planned;
        return cup.Parts.FirstOrDefault(each => each.Poured <= 0) is { } next
            ? cup.Says(CupTurn.Pour, next.Order.Part, cup.Wanted(next, kept), kept, cup.Heat(kept), Unsure(cup, off))
            : cup.Says(CupTurn.Stir, null, 0, kept, cup.Heat(kept), Unsure(cup, off));
    }

    private static Message OutFlat => "Then pour it out flat into a tray at once: left in the cup it gets hotter than it stands.";

    private static Message? Short(Filling cup, double share) =>
        share < 1 - (NearEnoughPercent / 100) ? (Message)$"That is {Percent(100 * (1 - share)):0} less than planned: it may not cover all." : null;

    private static Message OffBy(Filling cup, double off)
    {
        if (double.IsInfinity(off))
        {
            return "It went in before the resin: stir as soon as that is in.";
        }

        var (much, limit) = (Percent(Math.Abs(off)), Percent(off > 0 ? cup.Sets!.Order.MorePercent : cup.Sets!.Order.LessPercent));
        return cup.Sets.Order.Part == MixPart.Catalyst
            ? off > 0 ? (Message)$"The catalyst is {much:0} over; {limit:0} is the most." : (Message)$"The catalyst is {much:0} short; {limit:0} is the most."
            : off > 0 ? (Message)$"The hardener is {much:0.0} over; {limit:0} is the most." : (Message)$"The hardener is {much:0.0} short; {limit:0} is the most.";
    }

    private static Message? Unsure(Filling cup, double off) =>
        cup.BandPercent is { } band && (off + band > cup.Sets!.Order.MorePercent || off - band < -cup.Sets.Order.LessPercent)
            ? (Message)$"Inside its tolerance as far as this measure can tell, which is to {Percent(band):0}." : null;

    /// <summary>A part with what is in of it.</summary>
    private sealed record Part(PartOrder Order, double Poured);

    /// <summary>A cup on its way.</summary>
    private sealed class Filling
    {
        private readonly CupOrder _order;
        private readonly IReadOnlyList<CupPour> _pours;
        private readonly double _airC;
        private readonly Cup? _heat;

        public Filling(CupOrder order, IReadOnlyList<CupPour> pours, double airC)
        {
            (_order, _pours, _airC) = (order, pours, airC);
            _heat = order.Heat is { } model ? new Cup(model) : null;
            Parts = [.. order.Parts.Select(part => new Part(part, pours.Where(pour => pour.Part == part.Part).Sum(pour => pour.Amount)))];
            Resin = Parts.First(part => part.Order.Part == MixPart.Resin);
            Sets = Parts.FirstOrDefault(part => part.Order.Sets);
        }

        public IReadOnlyList<Part> Parts { get; }

        public Part Resin { get; }

        public Part? Sets { get; }

        /// <value>How much more hardener than its share is in, in percent; null before there is any.</value>
        public double? OffPercent => Sets is { Poured: > 0 } sets && Resin.Poured > 0 ? 100 * ((sets.Poured / sets.Order.Planned / (Resin.Poured / Resin.Order.Planned)) - 1)
            : Sets is { Poured: > 0 } ? double.PositiveInfinity : null;

        /// <value>How well the ratio is known; null where it is not measured as an amount.</value>
        public double? BandPercent
        {
            get
            {
                if (Sets is not { Poured: > 0, Order.Part: MixPart.Hardener } sets || Resin.Poured <= 0)
                {
                    return null;
                }

                var steps = _pours.Where(pour => pour.Part is MixPart.Resin or MixPart.Hardener).Select(pour => pour.Step).ToList();
                return steps.All(step => step is not null)
                    ? BatchMaker.WeighedBandPercent(Resin.Poured, sets.Poured, steps.Max()!.Value / 2)
                    : BatchMaker.BandPercent(_order.Device, InMl(Resin), InMl(sets), Resin.Poured, sets.Poured);
            }
        }

        /// <summary>How much of a part goes into a cup of a share of what is planned: filler goes by all that was poured before it.</summary>
        public double Wanted(Part part, double share) => part.Order.Planned * share;

        /// <summary>Why a share of what is planned is too much; null where it is not, or where the plan itself is no better.</summary>
        public Message? TooMuch(double share) => TooFull(share) ?? TooQuick(share) ?? TooHot(share);

        public Message? TooFull(double share) =>
            IsMore(share) && MlOf(share) > _order.HoldsMl && MlOf(1) <= _order.HoldsMl ? (Message)$"The cup holds {Ml(_order.HoldsMl.Value)}." : null;

        public Message? TooQuick(double share) =>
            IsMore(share) && After(share) is { } much && much.SpreadMin < _order.WorkMin && After(1)!.SpreadMin >= _order.WorkMin
                ? (Message)$"So much of it sets within {WallMin(much.SpreadMin)}, sooner than it is spread." : null;

        /// <summary>Plans fill a cup up to what it bears, so that a little more is always over: it counts from where even the band of what is known is passed.</summary>
        public Message? TooHot(double share) =>
            IsMore(share) && After(share) is { } much && much.PeakC > HottestC && After(1)!.PeakC <= HottestC
                ? (Message)$"So much of it gets hotter in the cup than it stands: {Celsius(much.PeakC)}." : null;

        private double HottestC => _airC + ((_order.Heat!.Heat.SafePeakC - _airC) * (1 + (Cup.RiseBandPercent / 100)));

        private static bool IsMore(double share) => share > 1 + (NearEnoughPercent / 100);

        /// <summary>The most that is not too much, of a share that is.</summary>
        public double MostShare(double tooMuch)
        {
            var (low, high) = (1.0, tooMuch);
            for (var i = 0; i < 12; i++)
            {
                var middle = (low + high) / 2;
                (low, high) = TooMuch(middle) is null ? (middle, high) : (low, middle);
            }

            return low;
        }

        /// <summary>What a hand should know of the heat of what it has mixed, where that is more than was planned.</summary>
        public Message? Heat(double share) =>
            !IsMore(share) || After(share) is not { } after ? null
            : TooHot(share) is null ? (Message)$"More is in than planned: spread it within {WallMin(after.SpreadMin)}."
            : OutFlat;

        public CupAdvice Says(CupTurn turn, MixPart? next, double change, double share, params IEnumerable<Message?> says) =>
            new(turn, next, change, [.. Parts.Select(part => Wanted(part, share))], [.. Parts.Select(part => part.Poured)], OffPercent is { } off && double.IsFinite(off) ? off : null, BandPercent,
                Sets is { Poured: > 0 } ? After(share)?.SpreadMin : null, [.. says.OfType<Message>()]);

        private CupResult? After(double share) => Liquid(share) is > 0 and var grams ? _heat?.Simulate(grams, _airC, CupShape.Cup) : null;

        /// <summary>Mass of what reacts, in grams.</summary>
        private double Liquid(double share) => Parts.Where(part => part.Order.Part is MixPart.Resin or MixPart.Hardener).Sum(part => part.Order.Planned * share);

        private double MlOf(double share) => Parts.Sum(part => part.Order.GPerMl is { } density ? part.Order.Planned * share / density : 0);

        private static double InMl(Part part) => part.Poured / (part.Order.GPerMl ?? 1);
    }
}
