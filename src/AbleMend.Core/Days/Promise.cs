using System.Text.Json.Serialization;

namespace AbleMend.Core.Days;

/// <summary>A mend that is late, or later, for the sake of another.</summary>
/// <param name="Mend">Its number.</param>
/// <param name="LateMin">How late it is then.</param>
/// <param name="WasMin">How late it would be anyway.</param>
public sealed record Delay(int Mend, double LateMin, double WasMin);

/// <summary>What would have an item ready sooner.</summary>
[JsonConverter(typeof(Kebab<Help>))]
public enum Help
{
    /// <summary>It goes before everything that may wait.</summary>
    GoesFirst,

    /// <summary>It is mended for now, and properly later.</summary>
    ForNow,

    /// <summary>The whole bench is at 30 °C.</summary>
    Warm,

    /// <summary>One more item can stand in the warm box or corner.</summary>
    WarmPlace,

    /// <summary>One more pair of hands.</summary>
    Hands,

    /// <summary>One more thing can be clamped.</summary>
    Clamp,
}

/// <summary>When an item would be ready with some help.</summary>
/// <param name="Help">What.</param>
/// <param name="ReadyAt">When it is ready then.</param>
/// <param name="Delays">Whom it makes late.</param>
public sealed record Helped(Help Help, DateTimeOffset ReadyAt, IReadOnlyList<Delay> Delays);

/// <summary>When an item can be promised, with everything else that there is to do.</summary>
/// <param name="ReadyAt">When it is ready behind what is planned already; null where it fits into none of the coming days.</param>
/// <param name="CautiousAt">When it is ready where every piece of work takes half as long again; null where it does not fit then.</param>
/// <param name="DueAt">When it is due, or null.</param>
/// <param name="LatestStartAt">When it has to be begun so as to be ready when it is due, around what is planned already; null without a due time, or where that is too soon.</param>
/// <param name="Helps">What would have it ready at least an hour sooner, the soonest first.</param>
public sealed record Promise(DateTimeOffset? ReadyAt, DateTimeOffset? CautiousAt, DateTimeOffset? DueAt, DateTimeOffset? LatestStartAt, IReadOnlyList<Helped> Helps)
{
    /// <value>Whether it can be promised for when it is due: surely, doubtfully where only all goes well, or not; null without a due time.</value>
    public Trust? Trust =>
        DueAt is not { } due ? null
        : CautiousAt <= due ? Days.Trust.Sure
        : ReadyAt <= due ? Days.Trust.Doubtful
        : Days.Trust.No;
}

/// <summary>How far a promise is to be trusted.</summary>
[JsonConverter(typeof(Kebab<Trust>))]
public enum Trust
{
    /// <summary>In time even where every piece of work takes half as long again.</summary>
    Sure,

    /// <summary>In time where all goes as planned.</summary>
    Doubtful,

    /// <summary>Late as it stands.</summary>
    No,
}

/// <summary>The ways in which a mend could be carried out, for a promise.</summary>
/// <param name="AsWanted">As it is wanted.</param>
/// <param name="ForNow">For now, or null where that is no way of mending it or is what is wanted.</param>
/// <param name="Warm">As it is wanted, curing at <see cref="Days.Promises.WarmC"/>; null where that cannot be.</param>
public sealed record WaysToPromise(MendToPlan AsWanted, MendToPlan? ForNow, MendToPlan? Warm);

/// <summary>Works out when an item can be promised before anything is decided.</summary>
/// <param name="floor">Who mends, and what there is only so much of.</param>
/// <param name="bench">The shop's hours and zone.</param>
public sealed class Promises(ShopFloor floor, Cases.BenchFacts bench)
{
    /// <summary>How warm a bench is made: warmer, most films outrun their solvents. From memory.</summary>
    public const double WarmC = 30;

    /// <summary>For less nobody heats a room.</summary>
    private static readonly TimeSpan WorthIt = TimeSpan.FromHours(1);

    /// <summary>Promises a mend.</summary>
    /// <param name="ways">How it could be carried out.</param>
    /// <param name="others">Everything else that there is to do.</param>
    /// <param name="standing">The plan of the days as it stands.</param>
    /// <param name="now">The present.</param>
    public Promise Of(WaysToPromise ways, IReadOnlyList<MendToPlan> others, DaysPlan standing, DateTimeOffset now)
    {
        var mend = ways.AsWanted;
        var behind = Behind(floor, mend, others, standing, now);
        var ready = ReadyOf(behind, mend);
        var slow = ReadyOf(Behind(floor, Slow(mend), others, standing, now), mend);
        var helps = new List<Helped>();
        void Try(Help help, DaysPlan plan)
        {
            if (ReadyOf(plan, mend) is { } sooner && (ready is null || sooner <= ready - WorthIt))
            {
                helps.Add(new Helped(help, sooner, Delays(plan, behind, mend.Id)));
            }
        }

        Try(Help.GoesFirst, First(mend, others, now));
        if (ways.ForNow is { } quick)
        {
            Try(Help.ForNow, Behind(floor, quick, others, standing, now));
        }

        if (ways.Warm is { } warm)
        {
            Try(Help.Warm, Behind(floor, warm, others, standing, now));
        }

        Try(Help.WarmPlace, Behind(floor with { WarmPlaces = floor.WarmPlaces + 1 }, mend, others, standing, now));
        Try(Help.Hands, Behind(floor with { People = [.. floor.People, new Technician("+1")] }, mend, others, standing, now));
        Try(Help.Clamp, Behind(floor with { Clamps = floor.Clamps + 1 }, mend, others, standing, now));
        return new Promise(ready, slow < ready ? ready : slow, mend.DueAt, LatestStart(mend, others, standing, now), [.. helps.OrderBy(help => help.ReadyAt)]);
    }

    private static DateTimeOffset? ReadyOf(DaysPlan plan, MendToPlan mend) => plan.Mends.FirstOrDefault(each => each.Mend == mend.Id)?.ReadyAt;

    /// <summary>The plan as it stands with a mend put in where there is room.</summary>
    private DaysPlan Behind(ShopFloor with, MendToPlan mend, IReadOnlyList<MendToPlan> others, DaysPlan standing, DateTimeOffset now) =>
        new ShopDays(with, bench).Plan([.. others, mend], now, () => 1, standing with { Blocks = [.. standing.Blocks.Where(block => block.Mend != mend.Id)] });

    /// <summary>The mend as early as it fits into an empty shop, and everything else around it.</summary>
    private DaysPlan First(MendToPlan mend, IReadOnlyList<MendToPlan> others, DateTimeOffset now)
    {
        var days = new ShopDays(floor, bench);
        return days.Plan([.. others, mend], now, () => 1, days.Plan([mend], now, () => 1));
    }

    private static IReadOnlyList<Delay> Delays(DaysPlan plan, DaysPlan than, int except) =>
    [
        .. plan.Mends.Where(mend => mend.Mend != except)
            .Select(mend => new Delay(mend.Mend, mend.LateMin, than.Mends.FirstOrDefault(each => each.Mend == mend.Mend)?.LateMin ?? 0))
            .Where(delay => delay.LateMin > delay.WasMin),
    ];

    private static MendToPlan Slow(MendToPlan mend) =>
        mend with { Plan = mend.Plan with { Steps = [.. mend.Plan.Steps.Select(step => step with { Timing = step.Timing with { HandsOnMin = step.Timing.HandsOnMin * Worth.Estimate.BadDay } })] } };

    /// <summary>The last start that has it ready in time, to a quarter of an hour: a later start is never ready sooner.</summary>
    private DateTimeOffset? LatestStart(MendToPlan mend, IReadOnlyList<MendToPlan> others, DaysPlan standing, DateTimeOffset now)
    {
        if (mend.DueAt is not { } due || mend.Run is not null || !(ReadyFrom(now) <= due))
        {
            return null;
        }

        var (early, late) = (now, due);
        while (late - early > TimeSpan.FromMinutes(15))
        {
            var middle = early + ((late - early) / 2);
            (early, late) = ReadyFrom(middle) <= due ? (middle, late) : (early, middle);
        }

        return early;

        DateTimeOffset? ReadyFrom(DateTimeOffset start) => ReadyOf(Behind(floor, mend with { Wish = mend.Wish with { NotBefore = start } }, others, standing, now), mend);
    }
}
