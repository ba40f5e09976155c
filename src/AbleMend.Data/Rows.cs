using AbleMend.Core.Running;

namespace AbleMend.Data;

/// <summary>An item of the fleet.</summary>
public sealed class ItemRow
{
    /// <value>Identifier.</value>
    public int Id { get; set; }

    /// <value>Fleet tag, unique.</value>
    public required string Tag { get; set; }

    /// <value>What people call it.</value>
    public required string Name { get; set; }

    /// <value>Identifier of its construction.</value>
    public required string Construction { get; set; }

    /// <value>When it was new, or null.</value>
    public DateOnly? NewOn { get; set; }

    /// <value>Warranty, as in the case format.</value>
    public required string Warranty { get; set; }

    /// <value>Chemistry of earlier mends, or null.</value>
    public string? EarlierMend { get; set; }

    /// <value>How many mends it has had; counted by the file itself, so that a long log is not counted whenever somebody looks at the fleet.</value>
    public int MendCount { get; private set; }

    /// <value>Its mends.</value>
    public List<MendRow> Mends { get; } = [];
}

/// <summary>A mend: its case, and once started the plan that it started from.</summary>
public sealed class MendRow
{
    /// <value>Identifier, which is also its number on the job sheet.</value>
    public int Id { get; set; }

    /// <value>Item.</value>
    public int ItemId { get; set; }

    /// <value>Item.</value>
    public ItemRow Item { get; set; } = null!;

    /// <value>Where it stands.</value>
    public MendStatus Status { get; set; }

    /// <summary>What stands for finds that have to be read from the mend itself, as in a row from before they were kept.</summary>
    public const string FindsUnread = "?";

    /// <value>The case, in the open format and packed.</value>
    public required byte[] CasePacked { get; set; }

    /// <value>The plan that the run started from, in the open format and packed; null for a draft.</value>
    public byte[]? PlanPacked { get; set; }

    /// <value>How often the plan of what is under way was written anew, because a remedy joined it.</value>
    public int PlanEdition { get; set; }

    /// <value>When it was opened.</value>
    public DateTimeOffset CreatedAt { get; set; }

    /// <value>When it was last changed.</value>
    public DateTimeOffset ChangedAt { get; set; }

    /// <value>When its run was started.</value>
    public DateTimeOffset? StartedAt { get; set; }

    /// <value>When it was closed: handed back or sent on.</value>
    public DateTimeOffset? ClosedAt { get; set; }

    /// <value>When it is needed.</value>
    public DateTimeOffset? DueAt { get; set; }

    /// <value>The mend that this one does properly, or null.</value>
    public int? FollowsMendId { get; set; }

    /// <value>The ticket that it was taken in on, or null. Tickets are never thrown away; a foreign key would have the whole table made anew.</value>
    public int? TicketId { get; set; }

    /// <value>What was said yes to, in order.</value>
    public List<AgreementRow> Agreements { get; } = [];

    /// <value>What the log tells of it, as <see cref="LogLine"/>; null while it is open, and in a row from before it was kept.</value>
    public string? LogJson { get; set; }

    /// <value>When somebody is to look at it again; null where nobody has to, somebody has, or in a row from before this was kept.</value>
    public DateTimeOffset? LookAgainAt { get; set; }

    /// <value>How it was mended, once somebody has looked whether it held: the identifier of the first damage's method. Null while nobody has.</value>
    public string? HeldMethod { get; set; }

    /// <value>For how many years it has held until then.</value>
    public double? HeldYears { get; set; }

    /// <value>Whether it had failed then.</value>
    public bool HeldFailed { get; set; }

    /// <value>Damages found on the item, as <see cref="FoundPlace"/>s, or <see cref="FindsUnread"/>; null where none were found.</value>
    public string? FindsJson { get; set; } = FindsUnread;

    /// <value>Words that the log is searched by: what it is, and how it was mended.</value>
    public string SearchText { get; set; } = "";

    /// <value>What somebody wrote while mending it, which the log is searched by as well.</value>
    public string Written { get; set; } = "";

    /// <value>Counts up with every change: two windows on one mend meet here.</value>
    public int Version { get; set; }

    /// <value>What happened, in order.</value>
    public List<MendEventRow> Events { get; } = [];
}

/// <summary>One thing that happened in a run. Rows are only ever added.</summary>
public sealed class MendEventRow
{
    /// <value>Identifier.</value>
    public long Id { get; set; }

    /// <value>Mend.</value>
    public int MendId { get; set; }

    /// <value>1, 2, 3 … within the mend; unique.</value>
    public int Number { get; set; }

    /// <value>When it happened.</value>
    public DateTimeOffset At { get; set; }

    /// <value>When it was kept; null for an event of before both were kept.</value>
    public DateTimeOffset? KeptAt { get; set; }

    /// <value>What, as in the run's vocabulary.</value>
    public required string Kind { get; set; }

    /// <value>Step, or null.</value>
    public string? StepId { get; set; }

    /// <value>Words, or null.</value>
    public string? Text { get; set; }

    /// <value>Measure, or null.</value>
    public double? Value { get; set; }

    /// <value>Whether a test passed, or null.</value>
    public bool? Passed { get; set; }

    /// <value>Air in °C at a reading of a hold test, or null.</value>
    public double? AirC { get; set; }

    /// <value>Barometer in kPa at a reading of a hold test, or null.</value>
    public double? BarometerKpa { get; set; }

    /// <value>Smallest step of the instrument that the value was read from, the spread of a pace, or null.</value>
    public double? Resolution { get; set; }

    /// <value>Looks that a pace was learnt from, or null.</value>
    public int? Looks { get; set; }

    /// <value>The cup that is shared with other mends, as JSON; or null.</value>
    public string? CupJson { get; set; }

    /// <value>Device that is measured with from now on, as JSON.</value>
    public string? DeviceJson { get; set; }
}

/// <summary>Something that was asked for with a key and carried out: asked for again, it is not done twice.</summary>
public sealed class DeedRow
{
    /// <value>The key that whoever asked gave to it.</value>
    public required string Key { get; set; }

    /// <value>What was asked for.</value>
    public required string What { get; set; }

    /// <value>When it was carried out.</value>
    public DateTimeOffset At { get; set; }

    /// <value>The mend that came of it, or null.</value>
    public int? MendId { get; set; }

    /// <value>The mend that came of it, or null.</value>
    public MendRow? Mend { get; set; }

    /// <value>The item that came of it, or null.</value>
    public int? ItemId { get; set; }

    /// <value>The item that came of it, or null.</value>
    public ItemRow? Item { get; set; }

    /// <value>The ticket that came of it, or null.</value>
    public int? TicketId { get; set; }

    /// <value>The ticket that came of it, or null.</value>
    public TicketRow? Ticket { get; set; }
}

/// <summary>Several items that somebody brought in together.</summary>
public sealed class TicketRow
{
    /// <value>Identifier, which is also its number on paper.</value>
    public int Id { get; set; }

    /// <value>Who brought them.</value>
    public required string CustomerName { get; set; }

    /// <value>How to reach them, or null.</value>
    public string? Reach { get; set; }

    /// <value>What was said at the counter, or null.</value>
    public string? Note { get; set; }

    /// <value>When they were taken in.</value>
    public DateTimeOffset TakenInAt { get; set; }

    /// <value>When they are needed, or null.</value>
    public DateTimeOffset? DueAt { get; set; }

    /// <value>When they were collected, or null.</value>
    public DateTimeOffset? CollectedAt { get; set; }

    /// <value>Counts up with every change.</value>
    public int Version { get; set; } = 1;
}

/// <summary>A customer's yes to a mend. Rows are only ever added.</summary>
public sealed class AgreementRow
{
    /// <value>Identifier.</value>
    public long Id { get; set; }

    /// <value>The mend.</value>
    public int MendId { get; set; }

    /// <value>When.</value>
    public DateTimeOffset At { get; set; }

    /// <value>Who said yes.</value>
    public required string By { get; set; }

    /// <value>Who heard it, or null.</value>
    public string? HeardBy { get; set; }

    /// <value>The most money that was said yes to, or null.</value>
    public double? UpTo { get; set; }

    /// <value>What the money is called, or null.</value>
    public string? Currency { get; set; }

    /// <value>What they were told, as JSON.</value>
    public required string ToldJson { get; set; }
}

/// <summary>The shop's own settings: one row.</summary>
public sealed class ShopRow
{
    /// <summary>Identifier of the only row.</summary>
    public const int OnlyId = 1;

    /// <value>Identifier.</value>
    public int Id { get; set; } = OnlyId;

    /// <value>Settings as JSON.</value>
    public required string SettingsJson { get; set; }

    /// <value>Counts up with every change.</value>
    public int Version { get; set; }
}

/// <summary>The plan of the days as it was last told: the next one is kept to it.</summary>
public sealed class DaysRow
{
    /// <summary>Identifier of the only row.</summary>
    public const int OnlyId = 1;

    /// <value>Identifier.</value>
    public int Id { get; set; } = OnlyId;

    /// <value>The plan as JSON, packed.</value>
    public required byte[] PlanPacked { get; set; }

    /// <value>What it was made from: the mends and settings as they were then.</value>
    public required string MadeFrom { get; set; }

    /// <value>What makes the address of the shop's calendars one that nobody guesses.</value>
    public string CalendarKey { get; set; } = "";
}

/// <summary>What somebody wants of a mend in the plan of the days.</summary>
public sealed class DayWishRow
{
    /// <value>The mend.</value>
    public int MendId { get; set; }

    /// <value>It is held back until then; null for not at all.</value>
    public DateTimeOffset? NotBefore { get; set; }

    /// <value>Who does it, by name; null for whoever can.</value>
    public string? Person { get; set; }

    /// <value>What an hour late costs against another's.</value>
    public int Weight { get; set; } = 1;

    /// <value>Its next stretch is pinned to that time; null lets the plan say when.</value>
    public DateTimeOffset? BeginAt { get; set; }

    /// <value>Names of those who do not do it.</value>
    public List<string> NotBy { get; set; } = [];
}

/// <summary>A photograph of a mend, without the picture itself.</summary>
public sealed class PhotographRow
{
    /// <value>Identifier.</value>
    public int Id { get; set; }

    /// <value>The mend.</value>
    public int MendId { get; set; }

    /// <value>The mend.</value>
    public MendRow? Mend { get; set; }

    /// <value>Step that it was taken at; null at intake, and of the item as a whole.</value>
    public string? StepId { get; set; }

    /// <value>When it was taken, by the device that sent it.</value>
    public DateTimeOffset At { get; set; }

    /// <value>Width in pixels.</value>
    public int Width { get; set; }

    /// <value>Height in pixels.</value>
    public int Height { get; set; }

    /// <value>SHA-256 of the file that was sent: the same file sent twice is one photograph.</value>
    public required string Sent { get; set; }

    /// <value>The picture.</value>
    public PictureRow? Picture { get; set; }
}

/// <summary>The picture of a photograph: kept apart, so that a list of photographs does not fetch them.</summary>
public sealed class PictureRow
{
    /// <value>The photograph.</value>
    public int PhotographId { get; set; }

    /// <value>The picture as JPEG, upright and without what a camera writes beside it.</value>
    public required byte[] Jpeg { get; set; }

    /// <value>The same, small.</value>
    public required byte[] Thumbnail { get; set; }
}

/// <summary>What touch said of one wait of a mend, and of which lot.</summary>
public sealed class LookRow
{
    /// <value>Identifier.</value>
    public long Id { get; set; }

    /// <value>The mend.</value>
    public int MendId { get; set; }

    /// <value>The mend.</value>
    public MendRow? Mend { get; set; }

    /// <value>Number of the newest event of the mend that it was taken from.</value>
    public int EventNumber { get; set; }

    /// <value>Step that was waited for.</value>
    public required string StepId { get; set; }

    /// <value>Identifier of the material.</value>
    public required string Material { get; set; }

    /// <value>What the lot goes by that was used.</value>
    public required string Lot { get; set; }

    /// <value>Minutes that the label gives.</value>
    public double LabelMin { get; set; }

    /// <value>Minutes of the label's clock at the latest look that found it not ready, or null.</value>
    public double? NotYetMin { get; set; }

    /// <value>The same at the first that found it ready, or null.</value>
    public double? ReadyMin { get; set; }

    /// <value>Looks that this was taken from.</value>
    public int Looks { get; set; } = 1;
}

/// <summary>So much came off a lot of the shelf, or was found there when it was counted.</summary>
public sealed class LotMoveRow
{
    /// <value>Identifier.</value>
    public long Id { get; set; }

    /// <value>What the lot goes by.</value>
    public required string Lot { get; set; }

    /// <value>When.</value>
    public DateTimeOffset At { get; set; }

    /// <value>How much less there is, in the lot's unit; below 0 where a count found more.</value>
    public double Amount { get; set; }

    /// <value>The mend that took it; null for a count.</value>
    public int? MendId { get; set; }

    /// <value>The mend that took it.</value>
    public MendRow? Mend { get; set; }

    /// <value>Number of the event of the mend with which it was taken; null for a count.</value>
    public int? EventNumber { get; set; }

    /// <value>The step that took it; null for a count.</value>
    public string? StepId { get; set; }
}

/// <summary>A piece of cloth that the plan of a mend is cut from: held for it from its start, and cut when hands are done with the step.</summary>
public sealed class PieceUseRow
{
    /// <value>Identifier.</value>
    public long Id { get; set; }

    /// <value>The mend.</value>
    public int MendId { get; set; }

    /// <value>The mend.</value>
    public MendRow? Mend { get; set; }

    /// <value>What is written on the piece.</value>
    public required string Piece { get; set; }

    /// <value>Number of the event of the mend with which it was cut; null while it is held.</value>
    public int? EventNumber { get; set; }

    /// <value>The piece with what was left of it; null while it is held, and where it was not there any more.</value>
    public string? CutJson { get; set; }
}
