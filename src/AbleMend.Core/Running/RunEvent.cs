using System.Text.Json.Serialization;
using AbleMend.Core.Curing;
using AbleMend.Core.Mixing;

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

    /// <summary>From now on one cup is mixed for several mends: at this one, or at another of them.</summary>
    CupTogether,

    /// <summary>The shared cup is not mixed after all: every mend mixes its own.</summary>
    CupApart,

    /// <summary>The shared cup was mixed at another mend, and this one has its share.</summary>
    CupShared,

    /// <summary>From now on mixes are measured with another device.</summary>
    MeasuredWith,

    /// <summary>Something went wrong, and what it was: the remedy's steps join the plan.</summary>
    Mishap,

    /// <summary>A note.</summary>
    Note,

    /// <summary>A reading of the bench temperature.</summary>
    Reading,

    /// <summary>A reading of the item's own surface, where it cures.</summary>
    Surface,

    /// <summary>A reading of the humidity at the bench.</summary>
    Humidity,

    /// <summary>The light that falls on what light sets: as a meter reads it, or told in words.</summary>
    Light,

    /// <summary>From now on an instrument lies at the item and is read by itself, or no more.</summary>
    Probe,

    /// <summary>From now on the item stands in a warm box or corner, or no more.</summary>
    Warm,

    /// <summary>What touch has taught of how fast a product sets at this shop, at this bench or at another.</summary>
    Pace,

    /// <summary>A reading of a hold test: gauge, air and barometer.</summary>
    Pressure,

    /// <summary>From now on an instrument is read by itself for a hold test, or no more.</summary>
    Gauge,

    /// <summary>A weighing of what dries.</summary>
    Weighed,

    /// <summary>A reading of a test that compares two, such as a weight before and after.</summary>
    Measured,

    /// <summary>A leak or a flaw that was found while working: one find does not exclude another.</summary>
    Find,

    /// <summary>Takes the last event back that somebody did.</summary>
    Undo,

    /// <summary>Handed back: the mend is over.</summary>
    HandBack,

    /// <summary>Looked at again after it was handed back: it holds, or it has failed.</summary>
    LookedAgain,
}

/// <summary>One thing that happened. Events are only ever added.</summary>
/// <param name="Number">1, 2, 3 … in the order in which they were kept.</param>
/// <param name="At">When it happened, UTC: by the device that it was told to.</param>
/// <param name="Kind">What.</param>
/// <param name="StepId">Step that it concerns; null for notes, readings, undo and hand-back.</param>
/// <param name="Text">Words of a note, the place of a find, the part that was poured, what went wrong, the material of a pace, the instrument that is or was read by itself, the light in a word, or what to watch on hand-back.</param>
/// <param name="Value">Temperature in °C of a reading of the bench or the item, or of where it stands warm, humidity in percent, ultraviolet in mW/cm², gauge pressure in kPa of a hold test, what was poured in g or mL, what something weighs in g, a reading of a test in its unit, a pace beside the label's, or the measure of a test.</param>
/// <param name="Passed">Whether a test passed, a probe lies there or the item stands in the warm from now on, or what was mended holds.</param>
/// <param name="AirC">Air temperature in °C at a reading of a hold test; null takes the bench.</param>
/// <param name="BarometerKpa">Barometer in kPa at a reading of a hold test; null takes sea level.</param>
/// <param name="KeptAt">When it was kept, UTC: later than it happened where the network was away; null for an event of before both were kept.</param>
/// <param name="Resolution">Smallest step of the instrument that the value was read from, in its unit, or the spread of a pace; null where a hand said it.</param>
/// <param name="Looks">Looks that a pace was learnt from; 0 where those that there were have been taken back.</param>
/// <param name="Cup">The cup that is shared, of an event that says so.</param>
/// <param name="Device">The device that is measured with from now on, of an event that says so.</param>
public sealed record RunEvent(
    int Number, DateTimeOffset At, RunEventKind Kind, string? StepId = null, string? Text = null, double? Value = null, bool? Passed = null,
    double? AirC = null, double? BarometerKpa = null, DateTimeOffset? KeptAt = null, double? Resolution = null, int? Looks = null, CupTogether? Cup = null, MeasuringDevice? Device = null)
{
    /// <value>Whether nobody did it: the bench's own probe said it, it follows from what was found at any bench, or it concerns other mends as well; and nobody takes it back.</value>
    [JsonIgnore]
    public bool IsByItself => Kind is RunEventKind.Pace or RunEventKind.CupTogether or RunEventKind.CupApart or RunEventKind.CupShared || (Kind is RunEventKind.Reading or RunEventKind.Surface or RunEventKind.Humidity or RunEventKind.Light && Resolution is not null) || (Kind == RunEventKind.Pressure && Text is not null);

    /// <summary>A pace as it is told to a run.</summary>
    /// <param name="number">Number of the event.</param>
    /// <param name="at">When it was learnt.</param>
    /// <param name="material">The material.</param>
    /// <param name="pace">The pace; null where everything that it was learnt from has been taken back.</param>
    public static RunEvent OfPace(int number, DateTimeOffset at, string material, LearntPace? pace) =>
        new(number, at, RunEventKind.Pace, Text: material, Value: pace?.Rate ?? 1, KeptAt: at, Resolution: pace?.Spread, Looks: pace?.Looks ?? 0);

    /// <value>The pace that it tells; null for another event, and where it takes a pace back.</value>
    [JsonIgnore]
    public LearntPace? Pace => Kind == RunEventKind.Pace && Text is not null && Resolution is { } spread && Looks is > 0 and var looks ? new LearntPace(Text, Value!.Value, spread, looks) : null;
}
