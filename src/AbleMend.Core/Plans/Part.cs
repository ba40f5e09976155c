using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.HandingBack;
using AbleMend.Core.Matching;
using AbleMend.Core.Methods;
using AbleMend.Core.Quantities;
using AbleMend.Core.Triage;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>A damage that was looked at: what to do with it, and what could mend it.</summary>
internal sealed record Looked(CaseView View, Verdict Verdict, IReadOnlyList<Candidate> Candidates);

/// <summary>A damage that a method has composed, told with the identifiers of the whole plan.</summary>
internal sealed record Composed(CaseView View, IMendMethod Method, ChosenMaterials Materials, FigureGraph Graph, Composition Composition, SharedCups? Cups, IReadOnlySet<string> DoneElsewhere)
{
    private Drawn? _drawn;
    private IReadOnlyList<Figure>? _told;
    private IReadOnlyList<PlanStep>? _steps;

    /// <value>What is drawn and cut; worked out when it is first asked for.</value>
    public Drawn Drawn => _drawn ??= Composition.Drawn.Value;

    /// <value>The figures that a plan keeps: those that a step shows or waits for, and those that its drawing rests on; what was read of other damages is told there.</value>
    public IReadOnlyList<Figure> Told => _told ??= Telling();

    private IReadOnlyList<Figure> Telling()
    {
        // What a drawing rests on is known once it is drawn.
        _ = Drawn;
        return [.. Graph.Told(Shown(Composition, Graph, DoneElsewhere).Concat(Taken(Composition, Cups))).Where(figure => !Numbering.IsOfAnother(figure.Id)).Select(figure => Numbering.Of(View.Number, figure))];
    }

    /// <summary>The same, with some steps done once with another damage.</summary>
    public Composed Without(IReadOnlySet<string> doneElsewhere) => new(View, Method, Materials, Graph, Composition, Cups, doneElsewhere);

    /// <value>Its steps in order, without those that are done with another damage.</value>
    public IReadOnlyList<PlanStep> Steps => _steps ??= [.. Composition.Steps.Where(step => !DoneElsewhere.Contains(step.Id)).Select(step => Numbering.Of(View.Number, Say(step)))];

    /// <value>What its method wants known.</value>
    public IEnumerable<Warning> Warnings => Composition.Warnings.Select(warning => Numbering.Of(View.Number, warning));

    private static IEnumerable<IFigure> Shown(Composition composition, FigureGraph graph, IReadOnlySet<string> doneElsewhere) =>
        composition.Steps.Where(step => !doneElsewhere.Contains(step.Id)).SelectMany(step => step.Figures.Append(step.Timing.Wait?.Because)).OfType<string>().Distinct().Select(graph.Find).OfType<IFigure>()
            .Concat(composition.Drawn.Shown);

    /// <summary>What the damage that mixes a shared cup reads of those that take their share of it.</summary>
    private static IEnumerable<IFigure> Taken(Composition composition, SharedCups? cups) =>
        cups is null ? [] : composition.Mixes.Where(mix => cups.TakenFrom.ContainsKey(mix.StepId)).SelectMany(mix => new IFigure?[] { mix.Need, mix.Work }.OfType<IFigure>());

    private static PlanStep Say(PlanStep step) => step with
    {
        Title = step.Title.Told(),
        Instruction = step.Instruction.Told(),
        DoNotForget = step.DoNotForget?.Told(),
        Timing = step.Timing.Wait is { } wait ? step.Timing with { Wait = wait with { Check = wait.Check.Told(), WhenLate = wait.WhenLate?.Told() } } : step.Timing,
    };
}

/// <summary>A damage with the system that was picked for it.</summary>
internal sealed record Part(Looked Look, Candidate Picked, Composed Composed)
{
    /// <summary>What the plan says of this damage.</summary>
    /// <param name="readyAt">When the item is ready, or null.</param>
    public PlannedDamage Planned(DateTimeOffset? readyAt)
    {
        var (view, method, materials) = (Look.View, Composed.Method, Composed.Materials);
        return new PlannedDamage(
            view.Number,
            Final(Look.Verdict, method),
            Matcher.AsPlanned(view, Look.Candidates, method, materials.Main),
            System(method, materials),
            Draughting.Of(view, Composed.Drawn),
            Composed.Drawn.Patches,
            [.. method.Schools.Where(id => SystemPick.IsOpen(view.Catalogue.Schools[id], Look.Candidates)).Select(id => SystemPick.Taken(view, id, Picked))],
            method.Proper?.What,
            HandBackDesk.Write(view, method, materials.Main, id => Composed.Told.FirstOrDefault(figure => figure.Id == Numbering.Of(view.Number, id))?.Id, readyAt),
            Composed.Steps.LastOrDefault(step => step.Stage == Stage.Apply) is { } last ? new LastCure(last.Id, new CureTime(materials.Main.Label!.FullMin), CureClock.For(materials.Main) with { Pace = Math.Min(1, view.PaceOf(materials.Main.Id)?.Rate ?? 1) }) : null);
    }

    private PlannedSystem System(IMendMethod method, ChosenMaterials materials) =>
        new(method.Id, Message.Parse(method.Name), materials.Main.Id, Message.Parse(materials.Main.Name), materials.Cloth.Id, materials.Filler.Id, materials.Cleaner.Id,
            method.Permanence, Composed.Drawn.Patches.Count > 0 ? materials.Patch?.Id : null);

    private static Verdict Final(Verdict verdict, IMendMethod method)
    {
        var decision = method.Permanence == Permanence.ForNow ? Decision.MendForNow : Decision.Mend;
        return decision == verdict.Decision
            ? verdict
            : new Verdict(decision, decision == Decision.MendForNow
                ? [new Reason("method-is-for-now", "The way chosen holds for now: it is named as such, and the proper repair is booked.", true, "Common practice, no source."), .. verdict.Reasons]
                : [.. verdict.Reasons.Where(reason => !reason.Decides)]);
    }
}
