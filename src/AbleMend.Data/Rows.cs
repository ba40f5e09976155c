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

    /// <value>The case, in the open format.</value>
    public required string CaseJson { get; set; }

    /// <value>The plan that the run started from, in the open format; null for a draft.</value>
    public string? PlanJson { get; set; }

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

    /// <value>Words that the log is searched by.</value>
    public string SearchText { get; set; } = "";

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

    /// <value>When.</value>
    public DateTimeOffset At { get; set; }

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
