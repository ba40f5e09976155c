using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.HandingBack;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Triage;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>The one way through: case, triage, match, method, timeline, plan.</summary>
/// <param name="catalogue">What is known.</param>
/// <param name="methods">Ways of mending.</param>
public sealed class Planner(MendCatalogue catalogue, IReadOnlyList<IMendMethod> methods)
{
    private static readonly Dictionary<string, Actual> NothingYet = [];

    /// <summary>A planner with the shipped catalogue and all methods.</summary>
    public static Planner Shipped() => new(CatalogueLoader.LoadShipped(AllMethods.Known), AllMethods.List);

    /// <value>The catalogue it plans with.</value>
    public MendCatalogue Catalogue { get; } = catalogue;

    /// <summary>Everything wrong with a shop that cases are to start from; empty when nothing is.</summary>
    public IReadOnlyList<Problem> CheckShop(ShopFacts shop)
    {
        var known = Known(shop.Products);
        return known.Value is { } catalogue ? CaseChecks.CheckShop(shop, catalogue) : known.Problems;
    }

    /// <summary>Plans a case.</summary>
    /// <param name="repairCase">The case; its start must be set.</param>
    /// <returns>The plan, or every problem found in the case.</returns>
    public Outcome<RepairPlan> Plan(RepairCase repairCase)
    {
        if (RefusedOutright(repairCase) is { } refused)
        {
            return Outcome<RepairPlan>.Of(refused);
        }

        var empty = EmptyPlaces.In(repairCase);
        if (empty.Count > 0)
        {
            return Outcome<RepairPlan>.Failed(empty);
        }

        var known = Known(repairCase.Products);
        if (known.Value is not { } catalogue)
        {
            return Outcome<RepairPlan>.Failed(known.Problems);
        }

        var problems = CaseChecks.Check(repairCase, catalogue, methods);
        if (problems.Count > 0)
        {
            return Outcome<RepairPlan>.Failed(problems);
        }

        var view = new CaseView(repairCase, catalogue);
        var verdict = TriageDesk.Judge(view);
        var candidates = Matcher.Rank(view, methods);
        if (!verdict.MendedHere)
        {
            return Outcome<RepairPlan>.Of(NotHere(view.StartAt, verdict, candidates, Draughting.Of(view, null)));
        }

        var picked = SystemPick.Of(view, candidates, repairCase.Choice);
        return picked.Value is { } candidate
            ? Compose(view, verdict, candidates, candidate)
            : Outcome<RepairPlan>.Failed(picked.Problems);
    }

    /// <summary>
    /// What holds a life is refused before anything is checked: no slip in the rest of the case may hide the refusal.
    /// </summary>
    private RepairPlan? RefusedOutright(RepairCase repairCase)
    {
        if (!Catalogue.Constructions.TryGetValue(repairCase.Item.Construction, out var construction))
        {
            return null;
        }

        var location = construction.Locations.FirstOrDefault(each => each.Id == repairCase.Damage.Location);
        return TriageDesk.RefuseOutright(construction, location) is { } verdict
            ? NotHere(repairCase.Wanted.StartAt ?? DateTimeOffset.UnixEpoch, verdict, [], Untouched(construction.LayersAt(location ?? construction.Locations[0])))
            : null;
    }

    private Drawing Untouched(IReadOnlyList<Layer> layers) => Draughting.Of(Reach.Into(layers, Catalogue.Substances, 0), 0, null, null);

    /// <summary>The catalogue with the shop's own products, or what is wrong with them.</summary>
    private Outcome<MendCatalogue> Known(IReadOnlyList<Material>? own)
    {
        if (own is not { Count: > 0 } products)
        {
            return Outcome<MendCatalogue>.Of(Catalogue);
        }

        try
        {
            var faults = ProductChecks.Check(products, Catalogue);
            return faults.Count > 0 ? Outcome<MendCatalogue>.Failed(faults) : Outcome<MendCatalogue>.Of(Catalogue.With(products));
        }
        catch (CatalogueException broken)
        {
            return Outcome<MendCatalogue>.Failed(new Problem("bad-product", "products", $"{broken.Message:as-is}", "Correct the product as its label says."));
        }
    }

    /// <summary>What a figure of a case's plan becomes when each figure that it is worked out from is a little more, everything else as it is.</summary>
    /// <param name="repairCase">The case; its start must be set.</param>
    /// <param name="figure">Identifier of the figure.</param>
    /// <returns>The effects in the order of the inputs, or every problem found.</returns>
    public Outcome<IReadOnlyList<Effect>> Effects(RepairCase repairCase, string figure)
    {
        var planned = Plan(repairCase);
        if (planned.Value is not { System: { } system } || Known(repairCase.Products).Value is not { } catalogue)
        {
            return Outcome<IReadOnlyList<Effect>>.Failed(planned.Problems.Count > 0 ? planned.Problems : [Unknown(figure)]);
        }

        var composed = Composed(new CaseView(repairCase, catalogue), system.Method, system.Material);
        _ = composed.Composition.Drawn.Value;
        return composed.Graph.Find(figure) is { } asked
            ? Outcome<IReadOnlyList<Effect>>.Of(composed.Graph.EffectsOn(asked))
            : Outcome<IReadOnlyList<Effect>>.Failed(Unknown(figure));
    }

    private static Problem Unknown(string figure) => new("unknown-figure", "figure", $"This plan has no figure '{figure:as-is}'.", "Use the identifier of one of the plan's figures.");

    private (IMendMethod Method, ChosenMaterials Materials, FigureGraph Graph, Composition Composition) Composed(CaseView view, string methodId, string materialId)
    {
        var method = methods.First(each => each.Id == methodId);
        var materials = Companions.For(view, method, view.Catalogue.Materials[materialId]);
        var graph = new FigureGraph(view.Case.Overrides ?? []);
        return (method, materials, graph, method.Compose(new MethodInputs(view, materials, graph)));
    }

    private Outcome<RepairPlan> Compose(CaseView view, Verdict verdict, IReadOnlyList<Candidate> candidates, Candidate candidate)
    {
        var (method, materials, graph, composition) = Composed(view, candidate.Method, candidate.Material);
        var drawn = composition.Drawn.Value;
        var figures = graph.Told(Shown(composition, graph));
        var refused = ByHand.Refuse(view.Case.Overrides ?? [], graph);
        if (refused.Count > 0)
        {
            return Outcome<RepairPlan>.Failed(refused);
        }

        var timeline = Timeline.Lay([.. composition.Steps.Select(step => step.Timing)], view.StartAt, view.Climate, view.Hours, NothingYet);
        var readyAt = Timeline.ReadyAt(timeline);
        var cure = composition.Steps.LastOrDefault(step => step.Stage == Stage.Apply) is { } last ? new LastCure(last.Id, new CureTime(materials.Main.Label!.FullMin), CureClock.For(materials.Main)) : null;
        return Outcome<RepairPlan>.Of(new RepairPlan(
            RepairPlan.CurrentFormat,
            Catalogue.Version,
            view.StartAt,
            readyAt,
            Timeline.FullCureAt(cure, timeline, view.Climate),
            Final(verdict, method),
            candidates,
            new PlannedSystem(method.Id, Message.Parse(method.Name), materials.Main.Id, Message.Parse(materials.Main.Name), materials.Cloth.Id, materials.Filler.Id, materials.Cleaner.Id, method.Permanence, drawn.Patches.Count > 0 ? materials.Patch?.Id : null),
            Draughting.Of(view, drawn),
            [.. composition.Steps.Select(Told)],
            figures,
            drawn.Patches,
            timeline,
            [.. composition.Steps.SelectMany(step => step.Cautions).Append("safety-sheet").Distinct().Select(id => Catalogue.Cautions[id])],
            [.. composition.Warnings.Concat(PlanWarnings.Of(view, composition, timeline)).Concat(Fumes.Warn(figures)).Select(warning => warning with { Text = warning.Text.Told() })],
            [.. method.Schools.Where(id => SystemPick.IsOpen(view.Catalogue.Schools[id], candidates)).Select(id => SystemPick.Taken(view, id, candidate))],
            method.Proper?.What,
            method.Proper is { } proper ? (view.Case.Wanted.NeededBy ?? view.StartAt).AddDays(proper.WithinDays) : null,
            Offcuts.Fit(drawn.Patches, view.Case.Offcuts ?? []),
            HandBackDesk.Write(view, method, materials.Main, figures, readyAt),
            cure));
    }

    /// <summary>The figures that a plan keeps: those that a step shows or waits for, and those that its drawing rests on.</summary>
    private static IEnumerable<IFigure> Shown(Composition composition, FigureGraph graph) =>
        composition.Steps.SelectMany(step => step.Figures.Append(step.Timing.Wait?.Because)).OfType<string>().Distinct().Select(graph.Find).OfType<IFigure>()
            .Concat(composition.Drawn.Shown);

    private static PlanStep Told(PlanStep step) => step with
    {
        Title = step.Title.Told(),
        Instruction = step.Instruction.Told(),
        DoNotForget = step.DoNotForget?.Told(),
        Timing = step.Timing.Wait is { } wait ? step.Timing with { Wait = wait with { Check = wait.Check.Told(), WhenLate = wait.WhenLate?.Told() } } : step.Timing,
    };

    private static Verdict Final(Verdict verdict, IMendMethod method)
    {
        var decision = method.Permanence == Permanence.ForNow ? Decision.MendForNow : Decision.Mend;
        return decision == verdict.Decision
            ? verdict
            : new Verdict(decision, decision == Decision.MendForNow
                ? [new Reason("method-is-for-now", "The way chosen holds for now: it is named as such, and the proper repair is booked.", true, "Common practice, no source."), .. verdict.Reasons]
                : [.. verdict.Reasons.Where(reason => !reason.Decides)]);
    }

    private RepairPlan NotHere(DateTimeOffset startAt, Verdict verdict, IReadOnlyList<Candidate> candidates, Drawing drawing) =>
        new(RepairPlan.CurrentFormat, Catalogue.Version, startAt, null, null, verdict, candidates, null, drawing, [], [], [], [], [], [], [], null, null);
}
