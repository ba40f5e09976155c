using AbleMend.Core.Curing;
using AbleMend.Core.Methods;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Rescuing;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Running;

/// <summary>The cups of a run as they are filled: what was poured into each, read from what happened.</summary>
/// <param name="plan">The plan.</param>
/// <param name="device">What it was planned to be measured with.</param>
/// <param name="kept">What happened and still stands.</param>
/// <param name="climate">Air at the bench.</param>
/// <param name="now">The present.</param>
internal sealed class CupsInHand(RepairPlan plan, MeasuringDevice device, IReadOnlyList<RunEvent> kept, Climate climate, DateTimeOffset now)
{
    /// <summary>Most that is poured at once, in g or mL: any more is a slip of the finger.</summary>
    private const double MostPoured = 10_000;

    private readonly DevicesInHand _devices = new(device, plan, kept);

    /// <summary>The cup that a step fills: that of a mix, or the next one of the mix that it spreads; null where none is left.</summary>
    public CupStand? StandOf(PlanStep step)
    {
        if (FilledAt(plan, step) is not { } mix || TogetherOf(mix) is { IsMixedHere: false } || OrderOf(mix) is not var (order, ingredients))
        {
            return null;
        }

        var (cups, of) = (CupsOf(mix), Count(mix));
        if (cups.Count > of || (step.Id != mix.Id && cups.Count == 1))
        {
            return null;
        }

        var pours = cups[^1];
        var advice = CupCoach.Advise(order, pours, AirAt(pours));
        return new CupStand(
            mix.Id, cups.Count, of, advice.Turn, advice.Next, advice.Change,
            [.. order.Parts.Select((part, i) => new PartStand(part.Part, advice.Wanted[i], advice.Poured[i], part.PlannedByHand / part.Planned, ingredients[i].Figure, ingredients[i] is { Grams: not null } or { Each: not null }))],
            advice.OffPercent, advice.BandPercent, Began(order, pours)?.AddMinutes(advice.SpreadMin ?? mix.UseWithinMin ?? 0), [.. advice.Says.Select(each => each.Told())]);
    }

    /// <summary>Every cup that something was poured into.</summary>
    public IEnumerable<PouredCup> Poured() =>
        from mix in plan.Steps
        let ordered = OrderOf(mix)
        where ordered is not null
        from pours in CupsOf(mix)
        where pours.Count > 0
        let advice = CupCoach.Advise(ordered.Value.Order, pours, AirAt(pours))
        let sets = ordered.Value.Order.Parts.FirstOrDefault(part => part.Sets)
        let resin = ordered.Value.Order.Parts.First(part => part.Part == MixPart.Resin)
        select new PouredCup(advice.OffPercent is { } off && sets is not null && (off > sets.MorePercent || off < -sets.LessPercent), pours.Where(pour => pour.Part == MixPart.Resin).Sum(pour => pour.Amount) / resin.Planned);

    /// <summary>When the newest cup of a mix that has begun to set can no longer be spread; null where nobody said what was poured.</summary>
    public DateTimeOffset? SetsAt(PlanStep mix) =>
        TogetherOf(mix) is { IsMixedHere: false } elsewhere ? elsewhere.UseBy
        : mix.UseWithinMin is { } planned && OrderOf(mix) is var (order, _) && CupsOf(mix).LastOrDefault(pours => Began(order, pours) is not null) is { } pours
            ? Began(order, pours)!.Value.AddMinutes(CupCoach.Advise(order, pours, AirAt(pours)).SpreadMin ?? planned)
            : null;

    /// <summary>The cup that a mix shares with other mends, with its times once it was mixed; null where it has one of its own.</summary>
    public CupTogether? TogetherOf(PlanStep mix) => TogetherOf(plan, mix, kept);

    /// <summary>The same, of a run's standing events.</summary>
    public static CupTogether? TogetherOf(RepairPlan plan, PlanStep mix, IReadOnlyList<RunEvent> standing)
    {
        CupTogether? together = null;
        foreach (var each in standing)
        {
            together = each.Kind switch
            {
                RunEventKind.CupTogether or RunEventKind.CupShared when each.StepId == mix.Id => each.Cup,
                RunEventKind.CupApart when each.StepId == mix.Id => null,
                RunEventKind.Redo when IsRedone(mix, each) => null,
                RunEventKind.Mishap when IsRescued(plan, mix, each) => null,
                _ => together,
            };
        }

        return together;
    }

    /// <summary>When the shared cup of a mix began to set, and when it can no longer be spread.</summary>
    public (DateTimeOffset? BeganAt, DateTimeOffset? UseBy) TimesOf(PlanStep mix)
    {
        var began = OrderOf(mix) is var (order, _) ? CupsOf(mix).Select(pours => Began(order, pours)).LastOrDefault(at => at is not null) : null;
        return (began, SetsAt(mix));
    }

    /// <summary>A cup as its plan asks for it, shared by nobody; null where nothing is measured.</summary>
    public static CupOrder? PlannedOrder(RepairPlan plan, MeasuringDevice device, PlanStep mix) => new CupsInHand(plan, device, [], Climate.Steady(0), default).OrderOf(mix)?.Order;

    /// <summary>What was poured into each cup of a mix since it was last begun; the last is the one in hand, and may be empty.</summary>
    public IReadOnlyList<IReadOnlyList<CupPour>> CupsOf(PlanStep mix)
    {
        List<List<CupPour>> cups = [[]];
        foreach (var each in kept.Where(each => each.StepId == mix.Id || (each.Kind == RunEventKind.Redo && IsRedone(mix, each)) || IsRescued(plan, mix, each)))
        {
            switch (each.Kind)
            {
                case RunEventKind.Redo:
                // A remedy before the mix has it mixed again; resin that nothing sets yet is still in its cup.
                case RunEventKind.Mishap when IsRescued(plan, mix, each) && (cups.Count > 1 || cups[^1].Any(pour => pour.Part is MixPart.Hardener or MixPart.Catalyst)):
                    cups = [[]];
                    break;
                case RunEventKind.ThrownOut:
                    cups[^1] = [];
                    break;
                case RunEventKind.HandsDone or RunEventKind.Stirred:
                    cups.Add([]);
                    break;
                case RunEventKind.Poured when Kebab<MixPart>.TryParse(each.Text, out var part):
                    cups[^1].Add(new CupPour(part, each.Value!.Value, each.At, each.Resolution));
                    break;
            }
        }

        return cups;
    }

    /// <summary>How much of what a step was to take it took, 1 where nobody weighed it: what was thrown out was taken as well, and cups still to come are taken as planned.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="mix">The step.</param>
    /// <param name="done">Everything that stands, up to the end of its work by hand.</param>
    public static double ShareTaken(RepairPlan plan, PlanStep mix, IReadOnlyList<RunEvent> done)
    {
        double? Value(string? figure) => figure is null ? null : plan.Figures.FirstOrDefault(each => each.Id == figure)?.Value;
        var resin = mix.Pour?.Cup?.Ingredients.FirstOrDefault(each => each.Part == MixPart.Resin);
        if (resin is null || (Value(resin.Grams) ?? Value(resin.Figure)) is not ({ } planned and > 0))
        {
            return 1;
        }

        var before = done.SkipLast(1).ToList();
        var since = before.Skip(before.FindLastIndex(each => (each.Kind == RunEventKind.HandsDone && each.StepId == mix.Id) || (each.Kind == RunEventKind.Redo && IsRedone(mix, each))) + 1).Where(each => each.StepId == mix.Id).ToList();
        double Resin(IEnumerable<RunEvent> events) => events.Where(each => each.Kind == RunEventKind.Poured && each.Text == Kebab<MixPart>.Id(MixPart.Resin)).Sum(each => each.Value!.Value);
        var inHand = Resin(since.Skip(since.FindLastIndex(each => each.Kind == RunEventKind.ThrownOut) + 1));
        var cups = (int)(Value(mix.Pour!.Cups) ?? 1);
        // Of a shared cup the others take theirs off the shelf themselves; what was poured beside the plan is whose cup it was.
        var (scale, left) = TogetherOf(plan, mix, before) is not { } shared ? (1, 0)
            : shared.IsMixedHere ? (shared.Scale, shared.Scale - shared.Taken)
            : (shared.Taken, 0);
        return ((Resin(since) + (inHand > 0 ? 0 : planned * scale) + ((cups - 1) * planned)) / (cups * planned)) - left;
    }

    /// <summary>Whether an event pours what begins to set.</summary>
    public static bool Sets(PlanStep mix, RunEvent each) => each.Value > 0 && Kebab<MixPart>.TryParse(each.Text, out var part) && part is MixPart.Hardener or MixPart.Catalyst && mix.Pour?.Cup is not null;

    /// <summary>Why nothing can be poured, stirred or thrown out now; null where it can.</summary>
    public static Problem? Refuse(RepairPlan plan, RunState state, RunEvent next)
    {
        var stand = state.Fronts.Select(front => front.Cup).FirstOrDefault(cup => cup?.StepId == next.StepId);
        if (stand is null)
        {
            return new Problem("not-this-step", "stepId", "No cup of this step is being filled.", "Reload the mend: it went on elsewhere.");
        }

        if (next.Kind != RunEventKind.Poured)
        {
            return next.Kind == RunEventKind.Stirred && plan.Steps.First(step => step.Id == next.StepId) is var mix && state.Fronts.Any(front => front.StepId == mix.Id)
                ? new Problem("not-now", "kind", "The first cup is stirred when its step is done.", "Say that the step is done.")
                : null;
        }

        return stand.Parts.FirstOrDefault(part => Kebab<MixPart>.Id(part.Part) == next.Text) is not { } poured
                ? new Problem("unknown-id", "text", $"Nothing called '{next.Text ?? "":as-is}' goes into this cup.", $"Use one of: {string.Join(", ", stand.Parts.Select(part => Kebab<MixPart>.Id(part.Part))):as-is}.")
            : next.Value is not { } value || value == 0 || Math.Abs(value) > MostPoured
                ? new Problem("out-of-range", "value", $"What is poured at once is at most {Grams(MostPoured)}, and not nothing.", "Weigh it again.")
            : poured.Poured + value < -1e-9
                ? new Problem("out-of-range", "value", "More was taken out than is in.", "Weigh it again.")
            : null;
    }

    private static PlanStep? FilledAt(RepairPlan plan, PlanStep step) =>
        step.Pour?.Cup is not null ? step : step.Uses is { } uses ? plan.Steps.FirstOrDefault(each => each.Id == uses && each.Damage == step.Damage && each.Pour?.Cup is not null) : null;

    /// <summary>Whether an event has a mix done again that was done before it.</summary>
    public static bool IsRedone(PlanStep mix, RunEvent redo) => mix.Timing.IsFor(Numbering.Parse(redo.StepId!).Number);

    /// <summary>Whether an event has a remedy done before a mix, so that it is mixed again.</summary>
    public static bool IsRescued(RepairPlan plan, PlanStep mix, RunEvent each) =>
        each.Kind == RunEventKind.Mishap && plan.Steps.TakeWhile(step => step.Id != mix.Id).Any(step => step.Damage == mix.Damage && RescueDesk.IsOf(step.Id, each.Number));

    private (CupOrder Order, IReadOnlyList<Ingredient> Ingredients)? OrderOf(PlanStep mix)
    {
        if (mix.Pour?.Cup is not { } cup)
        {
            return null;
        }

        var known = cup.Ingredients.Select(each => (Ingredient: each, Order: PartOf(each, cup.Heat))).Where(each => each.Order.Planned > 0).ToList();
        var shared = TogetherOf(mix) is { IsMixedHere: true } together ? together : null;
        var work = shared?.WorkMin ?? (Mixes.MixingMin + ((Value(cup.Work) ?? 0) / Count(mix)));
        return known.Any(each => each.Ingredient.Part == MixPart.Resin)
            ? (new CupOrder([.. known.Select(each => each.Order.Times(shared?.Scale ?? 1))], Value(cup.Holds), work, cup.Heat, _devices.Of(mix)), [.. known.Select(each => each.Ingredient)])
            : null;
    }

    private PartOrder PartOf(Ingredient ingredient, CupModel? heat)
    {
        var hand = Value(ingredient.Figure) ?? 0;
        var (grams, each) = (Value(ingredient.Grams), Value(ingredient.Each));
        var density = ingredient.Part is not (MixPart.Resin or MixPart.Hardener) ? null
            : grams is null ? 1
            : plan.Figures.First(figure => figure.Id == ingredient.Figure).Unit == "mL" && hand > 0 ? grams / hand
            : heat?.DensityGPerMl;
        return new PartOrder(ingredient.Part, grams ?? (each * hand) ?? hand, hand, density, ingredient.LessPercent, ingredient.MorePercent);
    }

    private int Count(PlanStep mix) => (int)(Value(mix.Pour?.Cups) ?? 1);

    private double? Value(string? figure) => figure is null ? null : plan.Figures.FirstOrDefault(each => each.Id == figure)?.Value;

    private double AirAt(IReadOnlyList<CupPour> pours) => climate.TemperatureCAt(pours.Count > 0 ? pours[^1].At : now);

    private static DateTimeOffset? Began(CupOrder order, IReadOnlyList<CupPour> pours) =>
        order.Parts.FirstOrDefault(part => part.Sets) is { } sets ? pours.FirstOrDefault(pour => pour.Part == sets.Part && pour.Amount > 0)?.At : null;
}

/// <summary>A cup that was poured.</summary>
/// <param name="IsOffItsRatio">Whether its ratio is outside what sets well.</param>
/// <param name="Share">How much of what was planned it holds.</param>
internal sealed record PouredCup(bool IsOffItsRatio, double Share);
