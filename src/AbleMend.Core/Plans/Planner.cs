using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Patching;
using AbleMend.Core.Timing;
using AbleMend.Core.Triage;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>The one way through: case, triage, match, method, timeline, plan.</summary>
/// <param name="catalogue">What is known.</param>
/// <param name="methods">Ways of mending.</param>
public sealed class Planner(MendCatalogue catalogue, IReadOnlyList<IMendMethod> methods)
{
    private static readonly Dictionary<string, Actual> NothingYet = [];

    private static readonly HashSet<string> NoSteps = [];

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
    /// <param name="cancel">Gives up between one piece of work and the next.</param>
    /// <returns>The plan, or every problem found in the case.</returns>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public Outcome<RepairPlan> Plan(RepairCase repairCase, CancellationToken cancel = default)
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

        var problems = CaseChecks.Check(repairCase, catalogue, [.. methods.Select(method => method.Id)]);
        if (problems.Count > 0)
        {
            return Outcome<RepairPlan>.Failed(problems);
        }

        var looks = repairCase.Damages.Select((_, i) => Look(new CaseView(repairCase, catalogue, i + 1), cancel)).ToList();
        return looks.All(look => look.Verdict.MendedHere)
            ? Composed(looks, cancel)
            : Outcome<RepairPlan>.Of(NotHere(looks[0].View.StartAt, [.. looks.Select(look => Untreated(look.View.Number, look.Verdict, look.Candidates, Draughting.Of(look.View, null)))]));
    }

    private Looked Look(CaseView view, CancellationToken cancel) => new(view, TriageDesk.Judge(view), Matcher.Rank(view, methods, cancel));

    /// <summary>
    /// What holds a life is refused before anything is checked: no slip in the rest of the case may hide the refusal.
    /// </summary>
    private RepairPlan? RefusedOutright(RepairCase repairCase)
    {
        // A case without a damage is no case yet, whatever the item: the checks say so.
        if (repairCase.Damages.Count == 0 || !Catalogue.Constructions.TryGetValue(repairCase.Item.Construction, out var construction))
        {
            return null;
        }

        var places = repairCase.Damages.Select(damage => construction.Locations.FirstOrDefault(each => each.Id == damage?.Seen.Location)).ToList();
        var refused = places.Select(place => (Place: place, Verdict: TriageDesk.RefuseOutright(construction, place))).ToList();
        return refused.Any(each => each.Verdict is not null)
            ? NotHere(repairCase.Wanted.StartAt ?? DateTimeOffset.UnixEpoch, [.. refused.Select((each, i) => Untreated(i + 1, each.Verdict ?? TriageDesk.Unjudged, [], Untouched(construction.LayersAt(each.Place ?? construction.Locations[0]))))])
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
    /// <param name="cancel">Gives up between one piece of work and the next.</param>
    /// <returns>The effects in the order of the inputs, or every problem found.</returns>
    public Outcome<IReadOnlyList<Effect>> Effects(RepairCase repairCase, string figure, CancellationToken cancel = default)
    {
        var planned = Plan(repairCase, cancel);
        var (number, local) = Numbering.Parse(figure);
        if (planned.Value?.Damages.ElementAtOrDefault(number - 1)?.System is not { } system || Known(repairCase.Products).Value is not { } catalogue)
        {
            return Outcome<IReadOnlyList<Effect>>.Failed(planned.Problems.Count > 0 ? planned.Problems : [Unknown(figure)]);
        }

        var chosen = planned.Value.Damages.Select((damage, i) => (View: new CaseView(repairCase, catalogue, i + 1), damage.System!.Method, damage.System.Material)).ToList();
        var shared = CupSharing.SharedIn(planned.Value);
        var alone = chosen.Select(each => Composed(each.View, each.Method, each.Material, null, cancel)).ToList();
        var composed = Composed(chosen[number - 1].View, system.Method, system.Material, CupSharing.CupsOf(number, shared, alone), cancel);
        _ = composed.Composition.Drawn.Value;
        return composed.Graph.Find(local) is { } asked
            ? Outcome<IReadOnlyList<Effect>>.Of([.. composed.Graph.EffectsOn(asked).Select(effect => effect with { Input = Numbering.Of(number, effect.Input) })])
            : Outcome<IReadOnlyList<Effect>>.Failed(Unknown(figure));
    }

    private static Problem Unknown(string figure) => new("unknown-figure", "figure", $"This plan has no figure '{figure:as-is}'.", "Use the identifier of one of the plan's figures.");

    private Composed Composed(CaseView view, string methodId, string materialId, SharedCups? cups, CancellationToken cancel)
    {
        cancel.ThrowIfCancellationRequested();
        var method = methods.First(each => each.Id == methodId);
        var materials = Companions.For(view, method, view.Catalogue.Materials[materialId]);
        var graph = new FigureGraph(view.Overrides);
        return new Composed(view, method, materials, graph, method.Compose(new MethodInputs(view, materials, graph, Cups: cups)), cups, NoSteps);
    }

    private Outcome<RepairPlan> Composed(IReadOnlyList<Looked> looks, CancellationToken cancel)
    {
        var picked = looks.Select(look => (Look: look, Pick: SystemPick.Of(look.View, look.Candidates))).ToList();
        var unpicked = picked.SelectMany(each => each.Pick.Problems).ToList();
        if (unpicked.Count > 0)
        {
            return Outcome<RepairPlan>.Failed(unpicked);
        }

        var alone = picked.Select(each => new Part(each.Look, each.Pick.Value!, Composed(each.Look.View, each.Pick.Value!.Method, each.Pick.Value.Material, null, cancel))).ToList();
        var once = DoneOnce.In(CupSharing.Shared(alone, (part, cups) => part with { Composed = Composed(part.Look.View, part.Picked.Method, part.Picked.Material, cups, cancel) }));
        var parts = once.Parts;
        var told = parts.SelectMany(part => part.Composed.Told).ToList();
        var refused = parts.SelectMany(part => ByHand.Refuse(part.Look.View, part.Composed.Graph)).ToList();
        return refused.Count > 0 ? Outcome<RepairPlan>.Failed(refused) : Outcome<RepairPlan>.Of(Laid(once, told));
    }

    private RepairPlan Laid(DoneOnce once, IReadOnlyList<Figure> figures)
    {
        var (parts, view) = (once.Parts, once.Parts[0].Look.View);
        var steps = once.Joined(CupSharing.Steps(parts));
        var timeline = Timeline.Lay([.. steps.Select(step => step.Timing)], view.StartAt, view.Climate, view.Hours, NothingYet);
        var readyAt = Timeline.ReadyAt(timeline);
        var damages = parts.Select(part => part.Planned(readyAt)).ToList();
        var (pieces, patches) = (view.Case.Offcuts ?? [], parts.SelectMany(part => part.Composed.Drawn.Patches.Select(patch => (part.Look.View.Number, patch))).ToList());
        var placements = Offcuts.Fit(patches, pieces);
        var order = timeline.Select((step, i) => (step.StepId, i)).ToDictionary(each => each.StepId, each => each.i);
        return new RepairPlan(
            RepairPlan.CurrentFormat,
            Catalogue.Version,
            view.StartAt,
            readyAt,
            FullCure.At(damages, timeline, view.Climate),
            TriageDesk.Gravest([.. damages.Select(damage => damage.Verdict)]),
            damages,
            [.. steps.OrderBy(step => order[step.Id])],
            figures,
            timeline,
            [.. steps.SelectMany(step => step.Cautions).Append("safety-sheet").Distinct().Select(id => Catalogue.Cautions[id])],
            [.. parts.SelectMany(part => part.Composed.Warnings).Concat(PlanWarnings.Of(view, steps, timeline)).Concat(PlanWarnings.ToBuy(view, damages, figures)).Concat(PlanWarnings.TooLargeForPieces(view, damages, placements)).Concat(Fumes.Warn(figures)).Select(warning => warning with { Text = warning.Text.Told() }).DistinctBy(warning => (warning.Code, Voice.Plain.Say(warning.Text), warning.Code is "held-back" or "window-missed" ? warning.StepId : null))],
            parts.Select(part => part.Composed.Method.Proper).Any(proper => proper is not null)
                ? (view.Case.Wanted.NeededBy ?? view.StartAt).AddDays(parts.Min(part => part.Composed.Method.Proper?.WithinDays ?? int.MaxValue))
                : null,
            placements,
            CutOff.Of(placements, patches, pieces));
    }

    private static PlannedDamage Untreated(int number, Verdict verdict, IReadOnlyList<Candidate> candidates, Drawing drawing) => new(number, verdict, candidates, null, drawing, [], []);

    private RepairPlan NotHere(DateTimeOffset startAt, IReadOnlyList<PlannedDamage> damages) =>
        new(RepairPlan.CurrentFormat, Catalogue.Version, startAt, null, null, TriageDesk.Gravest([.. damages.Select(damage => damage.Verdict)]), damages, [], [], [], [], [], null);
}
