using System.Globalization;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;

namespace AbleMend.Core.Rescuing;

/// <summary>A cause of a mishap as it is offered at a step.</summary>
/// <param name="Id">Identifier of mishap and cause, such as <c>tacky/cold</c>.</param>
/// <param name="Looks">How it looks when this is it.</param>
/// <param name="Steps">What is done, in a few words each.</param>
/// <param name="BackTo">Title of the step that the mend goes back to; null where it goes on from where it is.</param>
/// <param name="Stop">When to stop and hand it to somebody else, or null.</param>
/// <param name="SpeaksFor">What in this run speaks for it; null where nothing does.</param>
public sealed record OfferedCause(string Id, Message Looks, IReadOnlyList<Message> Steps, Message? BackTo, Message? Stop, Message? SpeaksFor);

/// <summary>A mishap as it is offered at a step.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Sign">What is seen.</param>
/// <param name="Ask">How to tell which of its causes it is.</param>
/// <param name="Causes">Its causes; first what the run speaks for, then the likeliest.</param>
public sealed record OfferedMishap(string Id, Message Sign, Message Ask, IReadOnlyList<OfferedCause> Causes);

/// <summary>Where a mend stands as a mishap comes over it.</summary>
/// <param name="Step">The step that is next, in hand or waiting.</param>
/// <param name="IsWaiting">Whether its wait runs.</param>
/// <param name="Cure">How the main material sets.</param>
/// <param name="Method">How it is mended.</param>
/// <param name="Signs">What in the run speaks for a cause.</param>
public sealed record AtStep(PlanStep Step, bool IsWaiting, CureKind? Cure, string Method, IReadOnlySet<RunSign> Signs);

/// <summary>What can go wrong at a step, and how the plan goes on when it did: the remedy's steps join it, and what has to be done again is done again.</summary>
public static class RescueDesk
{
    private const string Mark = "rescue-";

    /// <summary>The mishaps that can come over a step, those that the run speaks for first.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="at">Where it stands.</param>
    /// <param name="catalogue">What is known.</param>
    public static IReadOnlyList<OfferedMishap> Offer(RepairPlan plan, AtStep at, MendCatalogue catalogue) =>
    [
        .. catalogue.Mishaps.Where(mishap => Fits(mishap, at))
            .Select(mishap => new OfferedMishap(mishap.Id, Message.Parse(mishap.Sign), Message.Parse(mishap.Ask),
                [.. mishap.Causes.OrderByDescending(cause => IsSpokenFor(cause, at)).Select(cause => Offer(plan, at, mishap, cause))]))
            .OrderByDescending(mishap => mishap.Causes.Any(cause => cause.SpeaksFor is not null)),
    ];

    /// <summary>The cause of an identifier such as <c>tacky/cold</c>, where it can come over a step.</summary>
    public static MishapCause? Find(string? id, AtStep at, MendCatalogue catalogue) =>
        id?.Split('/') is [var mishap, var cause] ? catalogue.Mishaps.FirstOrDefault(each => each.Id == mishap && Fits(each, at))?.Causes.FirstOrDefault(each => each.Id == cause) : null;

    /// <summary>The plan with a remedy's steps in it: before the step that the mend goes back to, or, where it waits and goes on, after the one that waits.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="at">Where it stands.</param>
    /// <param name="cause">What it was.</param>
    /// <param name="number">Number of the event that says so; it makes the identifiers of the steps its own.</param>
    /// <param name="smaller">The mix, where it goes into smaller cups from here; else null.</param>
    /// <param name="notSet">What was laid last and has not set; null where its clock is not known.</param>
    public static RepairPlan Join(RepairPlan plan, AtStep at, MishapCause cause, int number, PlanStep? smaller = null, NotSet? notSet = null)
    {
        var before = cause.BackTo is { } back ? Target(plan, at, back) : at.Step;
        var all = plan.Steps.ToList();
        var place = all.IndexOf(before) + (cause.BackTo is null && at.IsWaiting ? 1 : 0);
        var mix = MixOf(plan, at);
        string IdOf(int step) => Numbering.Of(at.Step.Damage, string.Create(CultureInfo.InvariantCulture, $"{Mark}{number}-{step + 1}"));
        var figures = cause.Steps.SelectMany((step, i) => RemedyFigures.Of(step, IdOf(i), mix, notSet, plan.Figures)).ToList();
        var joined = cause.Steps.Select((step, i) => StepOf(step, IdOf(i), at.Step.Damage, RemedyFigures.WaitOf(figures, IdOf(i)))).ToList();
        joined = [.. joined.Zip(cause.Steps, (step, remedy) => step with
        {
            Figures = [.. RemedyFigures.ShownAt(step.Id, figures), .. remedy.Works == RemedyFigure.SmallerCups && smaller is not null ? RemedyFigures.CupsOf(smaller) : []],
        })];
        all.InsertRange(place, joined);
        var timeline = plan.Timeline.ToList();
        timeline.InsertRange(Math.Min(place, timeline.Count), joined.Select(step => new TimedStep(step.Id, null, null, null, null, false, step.Damage)));
        return plan with { Steps = all, Timeline = timeline, Figures = [.. plan.Figures, .. figures], Warnings = [.. plan.Warnings, new Warning(CodeOf(number), Message.Parse(cause.Record), joined[0].Id)] };
    }

    /// <summary>The plan without what a mishap added to it: it is taken back.</summary>
    public static RepairPlan Without(RepairPlan plan, int number) =>
        plan with { Steps = [.. plan.Steps.Where(step => !IsOf(step.Id, number))], Timeline = [.. plan.Timeline.Where(step => !IsOf(step.StepId, number))], Figures = [.. plan.Figures.Where(figure => !IsOf(figure.Id, number))], Warnings = [.. plan.Warnings.Where(warning => warning.Code != CodeOf(number))] };

    /// <summary>Whether a step was added by a mishap.</summary>
    /// <param name="stepId">Identifier of the step.</param>
    /// <param name="number">Number of the event that said so.</param>
    public static bool IsOf(string stepId, int number) => Numbering.Parse(stepId).Id.StartsWith(string.Create(CultureInfo.InvariantCulture, $"{Mark}{number}-"), StringComparison.Ordinal);

    /// <summary>Code of the warning that keeps what the record says of a mishap.</summary>
    /// <param name="number">Number of the event that said so.</param>
    public static string CodeOf(int number) => string.Create(CultureInfo.InvariantCulture, $"mishap-{number}");

    private static OfferedCause Offer(RepairPlan plan, AtStep at, Mishap mishap, MishapCause cause) =>
        new($"{mishap.Id}/{cause.Id}", Message.Parse(cause.Looks), [.. cause.Steps.Select(step => Message.Parse(step.Title))],
            cause.BackTo is { } back ? Target(plan, at, back).Title : null, cause.Stop is { } stop ? Message.Parse(stop) : null, IsSpokenFor(cause, at) ? Said(cause.Sign!.Value) : null);

    private static bool IsSpokenFor(MishapCause cause, AtStep at) => cause.Sign is { } sign && at.Signs.Contains(sign);

    private static Message Said(RunSign sign) => sign switch
    {
        RunSign.Cold => "The bench was colder than planned.",
        RunSign.Warm => "The bench was warmer than planned.",
        RunSign.RatioOff => "What was poured was off its ratio.",
        RunSign.LargeBatch => "More was mixed at once than planned.",
        RunSign.TooSoon => "A wait was cut short.",
        RunSign.Dim => "Less light fell than planned.",
        _ => "A window had closed before the next step.",
    };

    private static bool Fits(Mishap mishap, AtStep at) =>
        mishap.Stages?.Contains(Kebab<Stage>.Id(at.Step.Stage)) != false
        && (mishap.Waiting ?? at.IsWaiting) == at.IsWaiting
        && (mishap.Cures is null || (at.Cure is { } cure && mishap.Cures.Contains(cure)))
        && mishap.Methods?.Contains(at.Method) != false
        && (mishap.Proofs is null || (at.Step.Proof is { } proof && mishap.Proofs.Contains(proof)));

    /// <summary>The step that a mend goes back to: of the damage in hand, and no later than where it stands.</summary>
    private static PlanStep Target(RepairPlan plan, AtStep at, BackTo back)
    {
        var lane = plan.Steps.Where(step => step.Damage == at.Step.Damage && !Numbering.Parse(step.Id).Id.StartsWith(Mark, StringComparison.Ordinal)).ToList();
        var upTo = lane.TakeWhile(step => step.Id != at.Step.Id).Append(at.Step).ToList();
        var applied = upTo.LastOrDefault(step => step.Stage == Stage.Apply);
        return back switch
        {
            BackTo.Start => lane[0],
            BackTo.Apply => applied ?? at.Step,
            _ => upTo.LastOrDefault(step => step.Stage == Stage.Mix) ?? applied ?? at.Step,
        };
    }

    /// <summary>The mix that is in hand or was laid last: of the damage in hand, and no later than where it stands.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="at">Where it stands.</param>
    internal static PlanStep? MixOf(RepairPlan plan, AtStep at) =>
        plan.Steps.Where(step => step.Damage == at.Step.Damage).TakeWhile(step => step.Id != at.Step.Id).Append(at.Step).LastOrDefault(step => step.Pour?.Cup is not null);

    /// <summary>A remedy's step as it stands in the plan.</summary>
    /// <param name="step">The remedy's step.</param>
    /// <param name="id">Its identifier in the plan.</param>
    /// <param name="damage">The damage that it is for.</param>
    /// <param name="worked">How long it is waited for in the warm that it is brought into, where that was worked out; else null.</param>
    private static PlanStep StepOf(RemedyStep step, string id, int damage, Figure? worked)
    {
        var wait = (worked?.Value ?? step.WaitMin) is { } minutes
            ? new StepWait(WaitKind.Hold, new CureTime(minutes), null, null, new CureClock(20, worked is null ? EquivalentAge.DefaultActivationKjPerMol : 0, -40), Message.Parse(step.Check!), Math.Min(60, minutes), Because: worked?.Id)
            : null;
        return new PlanStep(id, Stage.Prepare, Message.Parse(step.Title), Message.Parse(step.How), [], step.Cautions ?? [], null, new StepTiming(id, step.Minutes, false, wait, damage), null, []);
    }
}
