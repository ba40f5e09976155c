namespace AbleMend.Core.Days;

/// <summary>Something that a stretch of work or its wait brings into the room, and that another must not meet.</summary>
[Flags]
public enum Airs
{
    /// <summary>Nothing.</summary>
    None = 0,

    /// <summary>Solvent vapour that a spark or a flame would light.</summary>
    Fumes = 1,

    /// <summary>A flame, a hot gun, a grinder on metal.</summary>
    Sparks = 2,

    /// <summary>Dust from dry sanding and grinding.</summary>
    Dust = 4,

    /// <summary>A face that dust would spoil: a coat that has not set, cement at tack.</summary>
    WetFace = 8,
}

/// <summary>A time that a stretch of work must leave between itself and an earlier one.</summary>
/// <param name="From">Place of the earlier stretch among those of its job.</param>
/// <param name="Offset">Slots from its start at which the time begins to run.</param>
/// <param name="Opens">When it may go on.</param>
/// <param name="Closes">Until when it must have been begun, or null.</param>
public sealed record Lag(int From, int Offset, SlotWait Opens, SlotWait? Closes = null);

/// <summary>Something of which there is only so much, taken from the start of a stretch until the stretch that frees it.</summary>
/// <param name="Resource">Place among the capacities.</param>
/// <param name="Amount">How many, 1 or more.</param>
public sealed record Hold(int Resource, int Amount = 1);

/// <summary>What a wait that runs already takes and brings into the room, from the first slot on: nothing moves it any more.</summary>
/// <param name="Holds">What it takes.</param>
/// <param name="Airs">What it brings into the room.</param>
/// <param name="Until">Slot in which it is over.</param>
public sealed record RunningWait(IReadOnlyList<Hold> Holds, Airs Airs, int Until);

/// <summary>A stretch of work by one pair of hands, and the wait after it.</summary>
/// <param name="Work">Slots of hands-on work, 1 or more.</param>
/// <param name="Lags">What it leaves between itself and earlier stretches of its job.</param>
/// <param name="Over">When its wait is over.</param>
public sealed record Stretch(int Work, IReadOnlyList<Lag> Lags, SlotWait Over)
{
    /// <value>Slots from its start at which its wait begins to run: its work, unless the wait counts from an earlier moment.</value>
    public int OverOffset { get; init; } = Work;

    /// <value>Earliest start.</value>
    public int NotBefore { get; init; }

    /// <value>Latest start, because a window that is already open closes then; begun later, it is missed.</value>
    public int LastStart { get; init; } = int.MaxValue;

    /// <value>Skill that it takes, 1 to 3.</value>
    public int Skill { get; init; } = 1;

    /// <value>Who has to do it, or -1 for anybody with the skill.</value>
    public int Person { get; init; } = -1;

    /// <value>Who may not do it, whatever their skill.</value>
    public IReadOnlyList<int> NotBy { get; init; } = [];

    /// <summary>Whether somebody may do it.</summary>
    /// <param name="person">Place among the people.</param>
    /// <param name="hands">What they can do.</param>
    public bool IsFor(int person, Hands hands) => !NotBy.Contains(person) && (Person >= 0 ? person == Person : hands.Skill >= Skill);

    /// <value>Whether somebody pinned it to <see cref="LastStart"/>: begun later, that is missed and no window.</value>
    public bool IsPinned { get; init; }

    /// <value>Slots before it in which whoever does it begins nothing else, 0 or more: other work runs over, and the window of this one does not wait for it.</value>
    public int ClearBefore { get; init; }

    /// <value>What it takes, from its start until <see cref="HeldUntil"/>.</value>
    public IReadOnlyList<Hold> Holds { get; init; } = [];

    /// <value>The stretch of its job whose start frees what it holds; -1 for the end of its own wait.</value>
    public int HeldUntil { get; init; } = -1;

    /// <value>What it brings into the room while hands are on it.</value>
    public Airs Hands { get; init; }

    /// <value>What its wait brings into the room.</value>
    public Airs Waits { get; init; }

    /// <value>What is mixed in it, or which tool is heated; null for nothing.</value>
    public DayMix? Mix { get; init; }

    /// <value>Whether its wait stands in the warm.</value>
    public bool IsWarm { get; init; }
}

/// <summary>A job: stretches in an order in which each comes after those that it waits for.</summary>
/// <param name="Due">Slot in which it is due, or <see cref="SlotWait.Never"/>.</param>
/// <param name="Weight">What an hour late costs against another's, 1 or more.</param>
/// <param name="Stretches">Its stretches.</param>
public sealed record DayJob(int Due, int Weight, IReadOnlyList<Stretch> Stretches)
{
    /// <value>The same job with one or more of its waits in the warm; empty where none may be.</value>
    public IReadOnlyList<DayJob> Warmed { get; init; } = [];

    /// <summary>The job as it was placed, with the waits in the warm that were put there.</summary>
    /// <param name="placed">Where it stands.</param>
    public DayJob As(Placed placed) => placed.Way == 0 ? this : Warmed[placed.Way - 1];
}

/// <summary>A pair of hands.</summary>
/// <param name="Skill">What they can do, 1 to 3.</param>
/// <param name="There">Whether they are there, slot for slot.</param>
public sealed record Hands(int Skill, IReadOnlyList<bool> There);

/// <summary>Jobs, hands, and what there is only so much of, in slots of <see cref="SlotMin"/> minutes.</summary>
/// <param name="Slots">How many slots are planned.</param>
/// <param name="Jobs">What there is to do.</param>
/// <param name="People">Who is there.</param>
/// <param name="Capacities">How many there are of each shared thing.</param>
public sealed record DayProblem(int Slots, IReadOnlyList<DayJob> Jobs, IReadOnlyList<Hands> People, IReadOnlyList<int> Capacities)
{
    /// <summary>Minutes of a slot: no step of the trade is planned more finely.</summary>
    public const int SlotMin = 5;

    /// <value>The waits that run already.</value>
    public IReadOnlyList<RunningWait> Running { get; init; } = [];

    /// <summary>What must not meet in the room. Common practice, no source.</summary>
    public static IReadOnlyList<(Airs One, Airs Other)> Apart { get; } = [(Airs.Fumes, Airs.Sparks), (Airs.Dust, Airs.WetFace)];
}

/// <summary>When each stretch begins, and who does it.</summary>
/// <param name="Starts">Slot of each stretch of a job.</param>
/// <param name="People">Who does each.</param>
/// <param name="Way">0 for all of it at the bench, else which of its <see cref="DayJob.Warmed"/>, from 1.</param>
public sealed record Placed(int[] Starts, int[] People, int Way = 0);

/// <summary>What a plan is worth: fewest windows missed, then least weighted lateness, then earliest finish.</summary>
/// <param name="Missed">Windows missed.</param>
/// <param name="LateSlots">Slots late, each job's times its weight.</param>
/// <param name="EndSlots">Sum of the slots in which the jobs end.</param>
public sealed record DayScore(int Missed, long LateSlots, long EndSlots) : IComparable<DayScore>
{
    /// <inheritdoc/>
    public int CompareTo(DayScore? other) =>
        other is null ? -1
        : (Missed, LateSlots, EndSlots).CompareTo((other.Missed, other.LateSlots, other.EndSlots));

    /// <summary>What two are worth together.</summary>
    public DayScore And(DayScore other) => new(Missed + other.Missed, LateSlots + other.LateSlots, EndSlots + other.EndSlots);
}
