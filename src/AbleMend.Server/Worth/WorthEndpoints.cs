using AbleMend.Core;
using AbleMend.Core.Plans;
using AbleMend.Core.Worth;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Worth;

/// <summary>What a mend costs.</summary>
public static class WorthEndpoints
{
    private static readonly Problem NoRates = new("no-rates", "rates", "The shop has not said what it asks for an hour.", "Write it down under Shop.");

    /// <summary>Maps the endpoints.</summary>
    public static void MapWorth(this RouteGroupBuilder api) =>
        api.MapGet("/mends/{id:int}/estimate", ReadAsync)
            .WithName("getEstimate").WithSummary("What a mend is likely to cost, and what it came to so far.")
            .Produces<Estimate>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> ReadAsync(int id, MendStore mends, ShopStore shop, Planner planner, CancellationToken cancel)
    {
        if (await mends.FindAsync(id, cancel) is not { } found)
        {
            return ProblemAnswers.NotFound($"There is no mend {id}.");
        }

        var (settings, _) = await shop.ReadAsync(cancel);
        return found.Value is not { } mend ? ProblemAnswers.Unprocessable(found.Problems)
            : settings.Rates is not { } rates ? ProblemAnswers.Unprocessable(NoRates)
            : mend.Plan is not { } plan ? ProblemAnswers.Unprocessable(mend.Problems)
            : Results.Ok(Estimate.Of(plan, rates, settings.Shelf ?? [], planner.Catalogue.With(settings.Products ?? []).Materials, Worked.Of(plan, mend.Events)));
    }
}
