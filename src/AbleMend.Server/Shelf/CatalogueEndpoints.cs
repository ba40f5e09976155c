using AbleMend.Core.Cases;
using AbleMend.Core.Days;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Looking;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;
using AbleMend.Core.Words;

namespace AbleMend.Server.Shelf;

/// <summary>A method as the page names it.</summary>
public sealed record MethodWords(string Id, [property: Words] string Name, [property: Words] string Why, Permanence Permanence);

/// <summary>What a number of a case may be.</summary>
/// <param name="Least">Least.</param>
/// <param name="Most">Most.</param>
/// <param name="Unit">Symbol of the unit that it is kept in; empty for a bare number.</param>
public sealed record FieldLimits(double Least, double Most, string Unit);

/// <summary>Everything that can be picked, the limits of a case's and the shop's numbers by their paths, and by construction the damages that it usually has, to start from.</summary>
public sealed record CatalogueView(
    string Version,
    IReadOnlyList<Construction> Constructions,
    IReadOnlyList<Substance> Substances,
    IReadOnlyList<Material> Materials,
    IReadOnlyList<MethodWords> Methods,
    IReadOnlyList<string> Grits,
    IReadOnlyList<ProofTest> Proofs,
    IReadOnlyList<School> Schools,
    IReadOnlyList<LookTest> LookTests,
    IReadOnlyList<string> Tools,
    IReadOnlyDictionary<string, IReadOnlyList<Damage>> UsualDamages,
    IReadOnlyDictionary<string, FieldLimits> Limits);

/// <summary>The catalogue.</summary>
public static class CatalogueEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapCatalogue(this RouteGroupBuilder api) =>
        api.MapGet("/catalogue", (Planner planner) => new CatalogueView(
                planner.Catalogue.Version,
                planner.Catalogue.ConstructionList,
                [.. planner.Catalogue.Substances.Values.OrderBy(substance => substance.Id)],
                planner.Catalogue.MaterialList,
                [.. AllMethods.List.Select(method => new MethodWords(method.Id, method.Name, method.Why, method.Permanence))],
                [.. Grit.All.Select(grit => grit.Label)],
                [.. ProofTest.All.Values],
                planner.Catalogue.SchoolList,
                planner.Catalogue.LookTests,
                [.. AllMethods.List.SelectMany(method => method.Needs).Distinct().Order()],
                planner.Catalogue.ConstructionList.ToDictionary(construction => construction.Id, construction => (IReadOnlyList<Damage>)[.. construction.Damages.Select(FirstCase.Usual)]),
                LimitTable.Of(typeof(RepairCase)).Concat(LimitTable.Of(typeof(ShopFloor)).Select(field => KeyValuePair.Create($"floor.{field.Key}", field.Value))).ToDictionary(field => field.Key, field => new FieldLimits(field.Value.Least, field.Value.Most, field.Value.Unit))))
            .WithName("getCatalogue")
            .WithSummary("Constructions, materials, methods, grits and tests by identifier.");
}
