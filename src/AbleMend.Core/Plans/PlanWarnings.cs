using System.Globalization;
using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Patching;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Plans;

/// <summary>What a plan wants known of its air and its windows.</summary>
internal static class PlanWarnings
{
    /// <summary>The warnings of a plan.</summary>
    public static IEnumerable<Warning> Of(CaseView view, IReadOnlyList<PlanStep> steps, IReadOnlyList<TimedStep> timeline)
    {
        foreach (var held in timeline.Where(each => each.HeldFrom is not null))
        {
            yield return new Warning("held-back", Held(view, steps, held), held.StepId);
        }

        foreach (var missed in timeline.Where(each => each.MissesWindow))
        {
            yield return new Warning("window-missed", $"Nobody will be in before the window closes. {steps.First(step => step.Id == missed.StepId).Timing.Wait!.WhenLate}", missed.StepId);
        }

        foreach (var pace in steps.Select(step => step.Timing.Wait?.Material).OfType<string>().Distinct().Select(view.PaceOf).OfType<LearntPace>())
        {
            yield return new Warning("learnt-pace", Learnt(view, pace), null);
        }

        if (view.Case.Wanted.NeededBy is { } needed && Timeline.ReadyAt(timeline) is { } ready && ready > needed)
        {
            yield return new Warning("late", needed <= view.StartAt
                ? (Message)$"It is needed before work begins: set another date, or say so to whoever waits for it."
                : $"It is ready {Hours(Math.Ceiling((ready - needed).TotalHours))} after it is needed. A faster system, a warmer bench or a mend for now would change that.", null);
        }

        if (timeline.Any(step => step.StartsAt is null) && timeline.LastOrDefault(step => step.StartsAt is not null) is { } stuck)
        {
            yield return new Warning("never-ready", "This wait does not end at this bench: warm it, or find light for it.", stuck.StepId);
        }
    }

    /// <summary>What the plan takes besides the material that holds, and the shelf does not have: the shelf is believed.</summary>
    public static IEnumerable<Warning> ToBuy(CaseView view, IReadOnlyList<PlannedDamage> damages, IReadOnlyList<Figure> figures)
    {
        if (view.Case.Shelf is not { } shelf)
        {
            return [];
        }

        // Cloth and fillers stand on few shelf lists: who counts none of them has said nothing of them.
        bool IsCounted(Role role) => role is not (Role.Cloth or Role.Filler) || shelf.Any(each => view.Catalogue.Materials.TryGetValue(each.Material, out var kept) && kept.Role == role);
        var there = shelf.Select(each => each.Material).Concat(damages.Select(damage => damage.System?.Material)).ToHashSet();
        var labels = figures.Select(figure => figure.Id.Split('.')).Where(parts => parts.Length > 2 && Numbering.Parse(parts[0]).Id == "label").Select(parts => parts[1]);
        var missing = labels.Concat(damages.SelectMany(damage => damage.Patches.Select(patch => patch.Cloth))).Distinct()
            .Where(id => !there.Contains(id) && view.Catalogue.Materials.TryGetValue(id, out var material) && IsCounted(material.Role))
            .Select(id => (Message)$"{view.Catalogue.Materials[id].Name:inside}").ToList();
        return missing.Count == 0 ? [] : [new Warning("to-buy", $"Not on the shelf, to buy before it begins: {Message.Joined(missing, (all, next) => $"{all}; {next}")}.", null)];
    }

    /// <summary>Patches that no piece that is there takes: the pieces are believed as the shelf is.</summary>
    public static IEnumerable<Warning> TooLargeForPieces(CaseView view, IReadOnlyList<PlannedDamage> damages, IReadOnlyList<Placement> placements)
    {
        var pieces = (view.Case.Offcuts ?? []).Select(piece => piece.Material).ToHashSet();
        var placed = placements.Select(placement => (placement.Damage, placement.Patch)).ToHashSet();
        return damages.SelectMany(damage => damage.Patches.Where(patch => pieces.Contains(patch.Cloth) && !placed.Contains((damage.Number, patch.Order))))
            .GroupBy(patch => patch.Cloth)
            .Select(group => (Cloth: view.Catalogue.Materials[group.Key], Largest: group.MaxBy(patch => patch.LengthMm * patch.WidthMm)!))
            .Select(each => new Warning("no-piece", $"The pieces of {each.Cloth.Name:inside} that are there do not take all of its patches, the largest {Mm(each.Largest.LengthMm):0} by {Mm(each.Largest.WidthMm):0}: cut it from a roll, or buy one as wide.", null));
    }

    /// <summary>How far a product sets apart from its label here, and what that does to its waits.</summary>
    private static Message Learnt(CaseView view, LearntPace pace)
    {
        var (name, byLight) = (view.Catalogue.Materials[pace.Material].Name, view.Catalogue.Materials[pace.Material].Cure == CureKind.Light);
        return byLight && pace.Rate < 1 ? (Message)$"{name} takes {Times(1 / pace.Rate):0.0} the light that its label says here ({Looks(pace)}): its waits are as much longer."
            : byLight ? (Message)$"{name} takes {Times(1 / pace.Rate):0.0} the light that its label says here ({Looks(pace)}): it is hard sooner than the label says, and still bears load no sooner."
            : pace.Rate < 1 ? (Message)$"{name} sets {Times(1 / pace.Rate):0.0} slower here than its label says ({Looks(pace)}): its waits are as much longer."
            : $"{name} sets {Times(pace.Rate):0.0} faster here than its label says ({Looks(pace)}): it is spread and coated sooner than the label says, and still bears load no sooner.";
    }

    private static Message Looks(LearntPace pace) => pace.Looks == 1 ? (Message)$"1 look" : (Message)$"{pace.Looks} looks";

    /// <summary>Why a step is held back, and what beginning it as soon as it could be would cost.</summary>
    private static Message Held(CaseView view, IReadOnlyList<PlanStep> steps, TimedStep held)
    {
        var led = steps.FirstOrDefault(step => step.Id == held.HeldFor);
        Message cost = led?.Timing.Wait?.WhenLate is { } late ? (Message)$" And then: {late}" : Message.Empty;
        return held is { WouldCloseAt: { } shuts, StartsAt: { } start } && !view.Hours.IsOpening(start)
            ? (Message)$"“{Titled(steps, held)}” waits until {At(view, start):as-is}: begun as soon as it could be, the window after “{led!.Title}” would close at {At(view, shuts):as-is} with nobody there.{cost}"
            : held.WouldCloseAt is { } closes
            ? (Message)$"“{Titled(steps, held)}” waits until the shop opens again: begun as soon as it could be, the window after “{led!.Title}” would close at {At(view, closes):as-is} with nobody there.{cost}"
            : $"“{Titled(steps, held)}” waits until the shop opens again: begun as soon as it could be, a mix would stand past its life with nobody there.{cost}";
    }

    private static string At(CaseView view, DateTimeOffset instant) => TimeZoneInfo.ConvertTime(instant, view.Hours.Zone).ToString("HH:mm", CultureInfo.InvariantCulture);

    private static Message Titled(IReadOnlyList<PlanStep> steps, TimedStep timed) => steps.First(step => step.Id == timed.StepId).Title;
}
