using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Preparing;
using AbleMend.Core.Triage;

namespace AbleMend.Core.Plans;

/// <summary>The one way through: case, triage, match, method, timeline, plan.</summary>
/// <param name="catalogue">What is known.</param>
/// <param name="methods">Ways of mending.</param>
public sealed class Planner(MendCatalogue catalogue, IReadOnlyList<IMendMethod> methods)
{
    private static readonly Dictionary<string, Actual> NothingYet = [];

    /// <summary>A planner with the shipped catalogue and all methods.</summary>
    public static Planner Shipped() => new(CatalogueLoader.LoadShipped(), AllMethods.List);

    /// <value>The catalogue it plans with.</value>
    public MendCatalogue Catalogue { get; } = catalogue;

    /// <summary>Plans a case.</summary>
    /// <param name="repairCase">The case; its start must be set.</param>
    /// <returns>The plan, or every problem found in the case.</returns>
    public Outcome<RepairPlan> Plan(RepairCase repairCase)
    {
        var problems = CaseChecks.Check(repairCase, Catalogue, methods);
        if (problems.Count > 0)
        {
            return Outcome<RepairPlan>.Failed(problems);
        }

        var view = new CaseView(repairCase, Catalogue);
        var verdict = TriageDesk.Judge(view);
        var candidates = Matcher.Rank(view, methods);
        if (!verdict.MendedHere)
        {
            return Outcome<RepairPlan>.Of(NotHere(view, verdict, candidates));
        }

        var picked = Pick(candidates, repairCase.Choice);
        return picked.Value is { } candidate
            ? Compose(view, verdict, candidates, candidate)
            : Outcome<RepairPlan>.Failed(picked.Problems);
    }

    private static Outcome<Candidate> Pick(IReadOnlyList<Candidate> candidates, Choice? choice)
    {
        var wanted = candidates
            .Where(each => choice?.Method is null || each.Method == choice.Method)
            .Where(each => choice?.Resin is null || each.Resin == choice.Resin)
            .ToList();
        if (wanted.FirstOrDefault(each => !each.Vetoed) is { } best)
        {
            return Outcome<Candidate>.Of(best);
        }

        var chosen = choice?.Method is not null || choice?.Resin is not null;
        var field = choice?.Resin is not null ? "choice.resin" : choice?.Method is not null ? "choice.method" : "";
        if (wanted.Count == 0)
        {
            return Outcome<Candidate>.Failed(new Problem("system-does-not-fit", field,
                "This method does not fit this damage, or does not work with this resin.", "Choose another method or resin, or leave the choice open."));
        }

        var veto = wanted[0].Findings.First(finding => finding.Weight == Weight.Veto);
        var layer = veto.LayerName is null ? "" : $" It protects: {veto.LayerName}.";
        return Outcome<Candidate>.Failed(new Problem("system-vetoed", field, $"{wanted[0].ResinName}: {veto.Reason}{layer}",
            chosen ? "Choose a resin that is not vetoed." : "Change the bench, the time or the shelf: nothing fits as it stands."));
    }

    private Outcome<RepairPlan> Compose(CaseView view, Verdict verdict, IReadOnlyList<Candidate> candidates, Candidate candidate)
    {
        var method = methods.First(each => each.Id == candidate.Method);
        var materials = Materials(view, method, Catalogue.Materials[candidate.Resin]);
        var sheet = new FigureSheet(view.Case.Overrides ?? []);
        var composition = method.Compose(new MethodInputs(view, materials, sheet));
        var unknown = (view.Case.Overrides ?? []).Where(each => sheet.Figures.All(figure => figure.Id != each.Figure)).ToList();
        if (unknown.Count > 0)
        {
            return Outcome<RepairPlan>.Failed([.. unknown.Select(each => new Problem("unknown-figure", "overrides",
                $"This plan has no figure '{each.Figure}'.", "Remove the override, or use the identifier of one of the plan's figures."))]);
        }

        var timeline = Timeline.Lay([.. composition.Steps.Select(step => step.Timing)], view.StartAt, view.Climate, view.Hours, NothingYet);
        var ready = timeline.LastOrDefault(each => each.OpensAt is not null && Step(composition, each.StepId).Timing.Wait!.Kind == WaitKind.Loadable)?.OpensAt;
        return Outcome<RepairPlan>.Of(new RepairPlan(
            RepairPlan.CurrentFormat,
            Catalogue.Version,
            view.StartAt,
            ready,
            FullCure(composition, timeline, materials.Resin, view.Climate),
            Final(verdict, method),
            candidates,
            new PlannedSystem(method.Id, method.Name, materials.Resin.Id, materials.Resin.Name, materials.Cloth.Id, materials.Filler.Id, materials.Cleaner.Id, method.Permanence),
            Draw(view, composition),
            composition.Steps,
            sheet.Figures,
            composition.Patches,
            timeline,
            [.. composition.Steps.SelectMany(step => step.Cautions).Append("safety-sheet").Distinct().Select(id => Catalogue.Cautions[id])],
            [.. composition.Warnings, .. Warn(view, composition, timeline)],
            method.Permanence == Permanence.ForNow ? (view.Case.Wanted.NeededBy ?? view.StartAt).AddDays(UvUnderFilm.ProperRepairDays) : null));
    }

    private ChosenMaterials Materials(CaseView view, IMendMethod method, Material resin)
    {
        var choice = view.Case.Choice;
        var filler = choice?.Filler ?? (method.Permanence == Permanence.ForNow ? "chopped-glass" : "microballoons");
        return new ChosenMaterials(resin, Catalogue.Materials[choice?.Cloth ?? "glass-136"], Catalogue.Materials[filler], Matcher.SafeCleaner(view));
    }

    private static PlanStep Step(Composition composition, string id) => composition.Steps.First(step => step.Id == id);

    private static Verdict Final(Verdict verdict, IMendMethod method)
    {
        var decision = method.Permanence == Permanence.ForNow ? Decision.MendForNow : Decision.Mend;
        return decision == verdict.Decision
            ? verdict
            : new Verdict(decision, decision == Decision.MendForNow
                ? [new Reason("method-is-for-now", "The way chosen holds for now: it is named as such, and the proper repair is booked.", true, "Common practice, no source."), .. verdict.Reasons]
                : [.. verdict.Reasons.Where(reason => !reason.Decides)]);
    }

    private static DateTimeOffset? FullCure(Composition composition, IReadOnlyList<TimedStep> timeline, Material resin, Climate climate)
    {
        var last = composition.Steps.LastOrDefault(step => step.Stage == Stage.Apply);
        var start = last is null ? null : timeline.First(each => each.StepId == last.Id).StartsAt;
        return start is { } from ? CureClock.For(resin).TryFindReached(resin.Label!.FullMin, from, climate) : null;
    }

    private static IEnumerable<Warning> Warn(CaseView view, Composition composition, IReadOnlyList<TimedStep> timeline)
    {
        var bench = view.Case.Bench;
        var dewC = DewPoint.Celsius(bench.TemperatureC, bench.RelativeHumidityPercent);
        if (bench.TemperatureC < dewC + DewPoint.MarginK)
        {
            yield return new Warning("dew-point", $"The surface is only {bench.TemperatureC - dewC:0.0} °C above the dew point of {dewC:0.0} °C: warm it to {dewC + DewPoint.MarginK:0.0} °C in the same air, or wait for drier air. Nothing is coated before.", "clean");
        }

        foreach (var missed in timeline.Where(each => each.MissesWindow))
        {
            yield return new Warning("window-missed", $"Nobody is there before the window closes. {Step(composition, missed.StepId).Timing.Wait!.WhenLate}", missed.StepId);
        }

        for (var i = 1; i < timeline.Count; i++)
        {
            if (timeline[i].StartsAt is null && timeline[i - 1].StartsAt is not null)
            {
                yield return new Warning("never-ready", "This wait does not end at this bench: warm it, or find light for it.", timeline[i - 1].StepId);
            }
        }
    }

    private RepairPlan NotHere(CaseView view, Verdict verdict, IReadOnlyList<Candidate> candidates) =>
        new(RepairPlan.CurrentFormat, Catalogue.Version, view.StartAt, null, null, verdict, candidates, null, Draw(view, null), [], [], [], [], [], [], null);

    private static Drawing Draw(CaseView view, Composition? composition) =>
        new(
            [.. view.Reach.Layers.Select(layer => new SectionLayer(layer.Layer.Id, layer.Layer.Name, layer.Substance.Texture, layer.TopMm, layer.Layer.ThicknessMm, layer.DepthIntoMm))],
            view.Case.Damage.DepthMm,
            view.Outline.LengthMm / 2,
            view.Outline.Pieces,
            composition?.Cut ?? [],
            composition?.Key ?? [],
            composition?.Profile);
}
