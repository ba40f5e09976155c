using System.Text.Json.Serialization;

namespace AbleMend.Core.Running;

/// <summary>What happened at the bench.</summary>
[JsonConverter(typeof(Kebab<RunEventKind>))]
public enum RunEventKind
{
    /// <summary>Hands began a step: for a mix, the pot clock starts here.</summary>
    Begin,

    /// <summary>The hands-on part of a step is done.</summary>
    HandsDone,

    /// <summary>The witness says ready: touch beats the clock.</summary>
    Ready,

    /// <summary>The witness says not yet.</summary>
    NotYet,

    /// <summary>The result of a test.</summary>
    Proof,

    /// <summary>Back to an earlier step, to do it again from there.</summary>
    Redo,

    /// <summary>So much of a part went into the cup, or was taken out of it again.</summary>
    Poured,

    /// <summary>A cup after the first of a mix is stirred.</summary>
    Stirred,

    /// <summary>What is in the cup was thrown out.</summary>
    ThrownOut,

    /// <summary>Something went wrong, and what it was: the remedy's steps join the plan.</summary>
    Mishap,

    /// <summary>A note.</summary>
    Note,

    /// <summary>A reading of the bench temperature.</summary>
    Reading,

    /// <summary>A reading of a hold test: gauge, air and barometer.</summary>
    Pressure,

    /// <summary>A leak or a flaw that was found while working: one find does not exclude another.</summary>
    Find,

    /// <summary>Takes the last event back that somebody did.</summary>
    Undo,

    /// <summary>Handed back: the mend is over.</summary>
    HandBack,
}

/// <summary>One thing that happened. Events are only ever added.</summary>
/// <param name="Number">1, 2, 3 … in the order in which they were kept.</param>
/// <param name="At">When it happened, UTC: by the device that it was told to.</param>
/// <param name="Kind">What.</param>
/// <param name="StepId">Step that it concerns; null for notes, readings, undo and hand-back.</param>
/// <param name="Text">Words of a note, the place of a find, the part that was poured, what went wrong, or what to watch on hand-back.</param>
/// <param name="Value">Temperature in °C of a reading, gauge pressure in kPa of a hold test, what was poured in g or mL, or the measure of a test.</param>
/// <param name="Passed">Whether a test passed.</param>
/// <param name="AirC">Air temperature in °C at a reading of a hold test; null takes the bench.</param>
/// <param name="BarometerKpa">Barometer in kPa at a reading of a hold test; null takes sea level.</param>
/// <param name="KeptAt">When it was kept, UTC: later than it happened where the network was away; null for an event of before both were kept.</param>
/// <param name="Resolution">Smallest step of the instrument that the value was read from, in its unit; null where a hand said it.</param>
public sealed record RunEvent(
    int Number, DateTimeOffset At, RunEventKind Kind, string? StepId = null, string? Text = null, double? Value = null, bool? Passed = null,
    double? AirC = null, double? BarometerKpa = null, DateTimeOffset? KeptAt = null, double? Resolution = null)
{
    /// <value>Whether nobody did it: the bench's own probe said it, and nobody takes it back.</value>
    [JsonIgnore]
    public bool IsByItself => Kind == RunEventKind.Reading && Resolution is not null;
}
