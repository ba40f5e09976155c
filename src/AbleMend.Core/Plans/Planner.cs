using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Gear;
using AbleMend.Core.HandingBack;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Patching;
using AbleMend.Core.Preparing;
using AbleMend.Core.Triage;

namespace AbleMend.Core.Plans;

/// <summary>The one way through: case, triage, match, method, timeline, plan.</summary>
/// <param name="catalogue">What is known.</param>
/// <param name="methods">Ways of mending.</param>
public sealed class Planner(MendCatalogue catalogue, IReadOnlyList<IMendMethod> methods)
{
    private static readonly Dictionary<string, Actual> NothingYet = [];
    private static readonly Dictionary<string, string> NoSchools = [];

    /// <summary>A planner with the shipped catalogue and all methods.</summary>
    public static Planner Shipped() => new(CatalogueLoader.LoadShipped(), AllMethods.List);

    /// <value>The catalogue it plans with.</value>
    public MendCatalogue Catalogue { get; } = catalogue;

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

        var known = Known(repairCase);
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
            return Outcome<RepairPlan>.Of(NotHere(view.StartAt, verdict, candidates, Draw(view, null)));
        }

        var picked = Pick(view, candidates, repairCase.Choice);
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

    private Drawing Untouched(IReadOnlyList<Layer> layers) => Draw(Reach.Into(layers, Catalogue.Substances, 0), 0, null, null);

    /// <summary>The catalogue with the shop's own products, or what is wrong with them.</summary>
    private Outcome<MendCatalogue> Known(RepairCase repairCase)
    {
        if (repairCase.Products is not { Count: > 0 } products)
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
            return Outcome<MendCatalogue>.Failed(new Problem("bad-product", "products", broken.Message, "Correct the product as its label says."));
        }
    }

    private static Outcome<Candidate> Pick(CaseView view, IReadOnlyList<Candidate> candidates, Choice? choice)
    {
        // A school that stands for a method or a material binds only where some system of this damage is of that school.
        var taken = (choice?.Schools ?? NoSchools)
            .Select(pair => view.Catalogue.Schools[pair.Key].Options.First(option => option.Id == pair.Value))
            .Where(option => (option.Method ?? option.Material) is not null)
            .Where(option => candidates.Any(each => Is(option, each)))
            .ToList();
        var wanted = candidates
            .Where(each => choice?.Method is null || each.Method == choice.Method)
            .Where(each => choice?.Material is null || each.Material == choice.Material)
            .Where(each => taken.All(option => Is(option, each)))
            .ToList();
        if (wanted.FirstOrDefault(each => !each.Vetoed) is { } best)
        {
            return Outcome<Candidate>.Of(best);
        }

        var chosen = choice?.Method is not null || choice?.Material is not null;
        var field = choice?.Material is not null ? "choice.material" : choice?.Method is not null ? "choice.method" : "";
        if (wanted.Count == 0)
        {
            return Outcome<Candidate>.Failed(new Problem("system-does-not-fit", field,
                "This method does not fit this damage, or does not work with this resin.", "Choose another method or resin, or leave the choice open."));
        }

        var veto = wanted[0].Findings.First(finding => finding.Weight == Weight.Veto);
        var layer = veto.LayerName is null ? "" : $" It protects: {veto.LayerName}.";
        return Outcome<Candidate>.Failed(new Problem("system-vetoed", field, $"{wanted[0].MaterialName}: {veto.Reason}{layer}",
            chosen ? "Choose a resin that is not vetoed." : "Change the bench, the time or the shelf: nothing fits as it stands."));
    }

    private Outcome<RepairPlan> Compose(CaseView view, Verdict verdict, IReadOnlyList<Candidate> candidates, Candidate candidate)
    {
        var method = methods.First(each => each.Id == candidate.Method);
        var materials = Companions.For(view, method, view.Catalogue.Materials[candidate.Material]);
        var sheet = new FigureSheet(view.Case.Overrides ?? []);
        var composition = method.Compose(new MethodInputs(view, materials, sheet));
        var unknown = (view.Case.Overrides ?? []).Where(each => sheet.Figures.All(figure => figure.Id != each.Figure)).ToList();
        if (unknown.Count > 0)
        {
            return Outcome<RepairPlan>.Failed([.. unknown.Select(each => new Problem("unknown-figure", "overrides",
                $"This plan has no figure '{each.Figure}'.", "Remove the override, or use the identifier of one of the plan's figures."))]);
        }

        var timeline = Timeline.Lay([.. composition.Steps.Select(step => step.Timing)], view.StartAt, view.Climate, view.Hours, NothingYet);
        var readyAt = Timeline.ReadyAt(timeline);
        var cure = composition.Steps.LastOrDefault(step => step.Stage == Stage.Apply) is { } last ? new LastCure(last.Id, materials.Main.Label!.FullMin, CureClock.For(materials.Main)) : null;
        return Outcome<RepairPlan>.Of(new RepairPlan(
            RepairPlan.CurrentFormat,
            Catalogue.Version,
            view.StartAt,
            readyAt,
            Timeline.FullCureAt(cure, timeline, view.Climate),
            Final(verdict, method),
            candidates,
            new PlannedSystem(method.Id, method.Name, materials.Main.Id, materials.Main.Name, materials.Cloth.Id, materials.Filler.Id, materials.Cleaner.Id, method.Permanence, composition.Patches.Count > 0 ? materials.Patch?.Id : null),
            Draw(view, composition),
            composition.Steps,
            sheet.Figures,
            composition.Patches,
            timeline,
            [.. composition.Steps.SelectMany(step => step.Cautions).Append("safety-sheet").Distinct().Select(id => Catalogue.Cautions[id])],
            [.. composition.Warnings, .. Warn(view, composition, timeline), .. Fumes.Warn(sheet.Figures)],
            [.. method.Schools.Where(id => IsOpen(view.Catalogue.Schools[id], candidates)).Select(id => Taken(view, id, candidate))],
            method.Proper?.What,
            method.Proper is { } proper ? (view.Case.Wanted.NeededBy ?? view.StartAt).AddDays(proper.WithinDays) : null,
            Offcuts.Fit(composition.Patches, view.Case.Offcuts ?? []),
            HandBackDesk.Write(view, method, materials.Main, sheet.Figures, readyAt),
            cure));
    }

    /// <summary>Whether both answers of a question can be had for this damage.</summary>
    private static bool IsOpen(School school, IReadOnlyList<Candidate> candidates) =>
        school.Options.Count(option => candidates.Any(each => Is(option, each))) > 1;

    private static bool Is(SchoolOption option, Candidate candidate) =>
        (option.Method ?? candidate.Method) == candidate.Method && (option.Material ?? candidate.Material) == candidate.Material;

    /// <summary>What was taken: where the answers are methods or materials, the one that the picked system is.</summary>
    private static TakenSchool Taken(CaseView view, string id, Candidate picked)
    {
        var school = view.Catalogue.Schools[id];
        var stands = school.Options.Where(option => (option.Method ?? option.Material) is not null).FirstOrDefault(option => Is(option, picked));
        var taken = stands?.Id ?? view.School(id);
        return new TakenSchool(id, taken, taken == school.Default ? school.Why : "Chosen by the technician, or ranked first here.");
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

    private RepairPlan NotHere(DateTimeOffset startAt, Verdict verdict, IReadOnlyList<Candidate> candidates, Drawing drawing) =>
        new(RepairPlan.CurrentFormat, Catalogue.Version, startAt, null, null, verdict, candidates, null, drawing, [], [], [], [], [], [], [], null, null);

    private static Drawing Draw(CaseView view, Composition? composition) => Draw(view.Reach, view.Case.Damage.DepthMm, view.Outline, composition);

    private static Drawing Draw(Reach reach, double depthMm, Outline? damage, Composition? composition) =>
        new(
            [.. reach.Layers.Select(layer => new SectionLayer(layer.Layer.Id, layer.Layer.Name, layer.Substance.Texture, layer.TopMm, layer.Layer.ThicknessMm, layer.DepthIntoMm))],
            depthMm,
            (damage?.LengthMm ?? 0) / 2,
            damage?.Pieces ?? [],
            composition?.Cut ?? [],
            composition?.Key ?? [],
            composition?.Profile,
            composition?.Marks ?? [],
            reach.IsSkin ? MarkView.Above : MarkView.Section);
}
