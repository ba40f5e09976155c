using System.Text.Json.Serialization;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Days;

/// <summary>A stretch of work in the plan of the days.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="StepId">Its first step.</param>
/// <param name="Titles">What the hands do, in order.</param>
/// <param name="Person">Who does it, by place among the people.</param>
/// <param name="StartsAt">When hands begin.</param>
/// <param name="EndsAt">When hands are free.</param>
/// <param name="Waits">What is waited for then, or null.</param>
/// <param name="OverAt">When that wait is over; null without one.</param>
/// <param name="ClosesAt">Until when it has to go on then, or null.</param>
/// <param name="Missed">Whether it begins after the window before it has closed, or later than it was pinned to.</param>
/// <param name="Pinned">Whether somebody pinned it to a time.</param>
/// <param name="InWarm">Whether the item stands in the warm box or corner while it waits then.</param>
public sealed record DayBlock(
    int Mend, string StepId, IReadOnlyList<Message> Titles, int Person, DateTimeOffset StartsAt, DateTimeOffset EndsAt, WaitKind? Waits, DateTimeOffset? OverAt, DateTimeOffset? ClosesAt, bool Missed, bool Pinned = false, bool InWarm = false);

/// <summary>When a mend is ready by the plan of the days.</summary>
/// <param name="Mend">Its number.</param>
/// <param name="ReadyAt">When it is ready; null where it fits into no day that is planned.</param>
/// <param name="DueAt">When it is due, or null.</param>
/// <param name="LateMin">How late it is then, 0 for in time.</param>
/// <param name="Missed">How many of its windows are missed.</param>
public sealed record DayReady(int Mend, DateTimeOffset? ReadyAt, DateTimeOffset? DueAt, double LateMin, int Missed);

/// <summary>Why a stretch stands elsewhere than in the plan before.</summary>
[JsonConverter(typeof(Kebab<WhyMoved>))]
public enum WhyMoved
{
    /// <summary>It was not begun when it was to be.</summary>
    NotBegun,

    /// <summary>What it waits for is over at another time than was thought.</summary>
    WaitMoved,

    /// <summary>Another mend needs the hands, the place or the clamp first.</summary>
    MadeWay,

    /// <summary>There was room sooner.</summary>
    FoundRoom,

    /// <summary>It mixes what another mixes then, and one cup may do for both.</summary>
    OneCup,

    /// <summary>It melts what another melts then, and the tool is heated once for both.</summary>
    OneHeat,
}

/// <summary>What is made ready once for several mends.</summary>
[JsonConverter(typeof(Kebab<OnceKind>))]
public enum OnceKind
{
    /// <summary>A cup: weighed out and stirred.</summary>
    Cup,

    /// <summary>A gun or an iron: heated, and loaded with what it melts.</summary>
    Heat,
}

/// <summary>Mixes of several mends that hands come to in one go, so that one cup may do for all; or what one hot tool does for all.</summary>
/// <param name="At">When the first is mixed, or the tool is hot.</param>
/// <param name="Mixes">What is mixed or melted, in order of time.</param>
/// <param name="Kind">Which of the two it is.</param>
public sealed record DayTogether(DateTimeOffset At, IReadOnlyList<MixOfDay> Mixes, OnceKind Kind = OnceKind.Cup)
{
    /// <summary>Whether a stretch is among those that share the cup.</summary>
    /// <param name="block">The stretch.</param>
    public bool Has(DayBlock block) => Mixes.Any(mix => mix.Mend == block.Mend && mix.StepId == block.StepId);
}

/// <summary>One of several mixes, or of what is melted.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="StepId">First step of the stretch in which it is mixed or melted.</param>
/// <param name="Title">What it is mixed or melted for.</param>
public sealed record MixOfDay(int Mend, string StepId, Message Title);

/// <summary>A stretch that stands elsewhere than in the plan before.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="StepId">Its first step.</param>
/// <param name="Title">What that is.</param>
/// <param name="From">When it was to begin.</param>
/// <param name="To">When it begins now.</param>
/// <param name="Why">Why.</param>
/// <param name="For">The mend that it made way for, or null.</param>
public sealed record DayMove(int Mend, string StepId, Message Title, DateTimeOffset From, DateTimeOffset To, WhyMoved Why, int? For = null);

/// <summary>Everything that is left to do, laid out over the coming days.</summary>
/// <param name="At">When it was made.</param>
/// <param name="Until">How far ahead it looks.</param>
/// <param name="People">Who is there, in order.</param>
/// <param name="Blocks">What is done when and by whom, in order of time.</param>
/// <param name="Mends">When each mend is ready, the soonest first; those that fit into no day last.</param>
/// <param name="Moved">What stands elsewhere than in the plan before.</param>
public sealed record DaysPlan(
    DateTimeOffset At, DateTimeOffset Until, IReadOnlyList<string> People, IReadOnlyList<DayBlock> Blocks, IReadOnlyList<DayReady> Mends, IReadOnlyList<DayMove> Moved)
{
    /// <value>Which clamp and which place each item has, and until when; what waits now is among it.</value>
    public IReadOnlyList<DayTaken> Taken { get; init; } = [];

    /// <value>Like mixes that come together, in order of time.</value>
    public IReadOnlyList<DayTogether> Together { get; init; } = [];

    /// <value>What it is worth; null for one that was kept before that was told.</value>
    public DaysWorth? Worth { get; init; }
}

/// <summary>What a plan of the days is worth, and how much better any other could be.</summary>
/// <param name="Missed">Windows that it misses.</param>
/// <param name="LateMin">Minutes late in all, each mend's times its weight.</param>
/// <param name="LeastMissed">Windows that every plan misses, proven: <see cref="DayBound"/>.</param>
/// <param name="LeastLateMin">Minutes late in all that no plan can better, proven.</param>
/// <param name="FewerMissed">How many windows fewer it misses than what was found first: it was looked on for in the background.</param>
/// <param name="LessLateMin">How many minutes less late it is than that; below 0 where a window was saved by them.</param>
public sealed record DaysWorth(int Missed, double LateMin, int LeastMissed, double LeastLateMin, int FewerMissed = 0, double LessLateMin = 0);
