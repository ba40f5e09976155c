using System.Text.Json.Serialization;
using AbleMend.Core.Limits;
using AbleMend.Core.Materials;
using AbleMend.Core.Words;

namespace AbleMend.Core.Catalogue;

/// <summary>What in a run speaks for a cause.</summary>
[JsonConverter(typeof(Kebab<RunSign>))]
public enum RunSign
{
    /// <summary>The bench was colder than planned.</summary>
    Cold,

    /// <summary>The bench was warmer than planned.</summary>
    Warm,

    /// <summary>What was poured was off its ratio.</summary>
    RatioOff,

    /// <summary>More was mixed at once than planned.</summary>
    LargeBatch,

    /// <summary>A wait was said to be ready before its window opened.</summary>
    TooSoon,

    /// <summary>A window had closed before anybody came.</summary>
    TooLate,

    /// <summary>Less light fell on it than planned.</summary>
    Dim,
}

/// <summary>Where a mend goes back to.</summary>
[JsonConverter(typeof(Kebab<BackTo>))]
public enum BackTo
{
    /// <summary>To the last mix, or where nothing is mixed, to what was put on last.</summary>
    Mix,

    /// <summary>To what was put on last, with what is still in the cup.</summary>
    Apply,

    /// <summary>To the first step: nothing of it stays.</summary>
    Start,
}

/// <summary>Something that goes wrong at the bench.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Sign">What is seen, in the words in which somebody looks for it.</param>
/// <param name="Stages">Stages at which it is seen; null for any.</param>
/// <param name="Waiting">Whether it is seen while waiting, or only by hand; null for either.</param>
/// <param name="Cures">How the main material sets; null for any.</param>
/// <param name="Methods">Methods that it happens with; null for any.</param>
/// <param name="Proofs">Tests that fail with it; null where no test shows it.</param>
/// <param name="Ask">How to tell which of its causes it is.</param>
/// <param name="Causes">What may be behind it, the likeliest first.</param>
public sealed record Mishap(
    string Id,
    [property: Size(5, 80)][property: Words] string Sign,
    [property: Size(10, 200)][property: Words] string Ask,
    IReadOnlyList<MishapCause> Causes,
    IReadOnlyList<string>? Stages = null,
    bool? Waiting = null,
    IReadOnlyList<CureKind>? Cures = null,
    IReadOnlyList<string>? Methods = null,
    IReadOnlyList<string>? Proofs = null);

/// <summary>What is behind a mishap, and what then.</summary>
/// <param name="Id">Identifier, unique in its mishap.</param>
/// <param name="Looks">How it looks when this is it.</param>
/// <param name="Record">What the record says of it.</param>
/// <param name="Steps">What is done, before the mend goes on.</param>
/// <param name="BackTo">Where the mend goes back to after that; null where it goes on from where it is.</param>
/// <param name="Sign">What in the run speaks for it, or null.</param>
/// <param name="Stop">When to stop and hand it to somebody else; null where that does not arise.</param>
public sealed record MishapCause(
    string Id,
    [property: Size(10, 200)][property: Words] string Looks,
    [property: Size(10, 200)][property: Words] string Record,
    IReadOnlyList<RemedyStep> Steps,
    BackTo? BackTo = null,
    RunSign? Sign = null,
    [property: Size(10, 200)][property: Words] string? Stop = null);

/// <summary>What a remedy works out from the mix that went wrong, or from the wait.</summary>
[JsonConverter(typeof(Kebab<RemedyFigure>))]
public enum RemedyFigure
{
    /// <summary>The mix in twice as many cups: the plan says so from there on.</summary>
    SmallerCups,

    /// <summary>Hardener or catalyst as a share of what it is put to.</summary>
    HardenerToResin,

    /// <summary>How long what has not set still takes in the warm: it is waited for so long, where its clock is known.</summary>
    LeftInTheWarm,
}

/// <summary>A step that puts something right.</summary>
/// <param name="Title">What the hand does.</param>
/// <param name="How">How.</param>
/// <param name="Minutes">Minutes of work by hand.</param>
/// <param name="WaitMin">Minutes to wait after it, at 20 °C; null for none.</param>
/// <param name="Check">What to look at or touch when the wait is over.</param>
/// <param name="Cautions">Identifiers of cautions.</param>
/// <param name="Works">What is worked out for it, or null.</param>
/// <param name="WarmC">How warm it is made, in °C, where that is worked with; else null.</param>
public sealed record RemedyStep(
    [property: Size(5, 80)][property: Words] string Title,
    [property: Size(10, 400)][property: Words] string How,
    [property: Limits(0.5, 240, "min")] double Minutes,
    [property: Limits(1, 10080, "min")] double? WaitMin = null,
    [property: Size(5, 200)][property: Words] string? Check = null,
    IReadOnlyList<string>? Cautions = null,
    RemedyFigure? Works = null,
    [property: Limits(20, 60, "°C")] double? WarmC = null);
