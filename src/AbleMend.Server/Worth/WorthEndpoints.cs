using AbleMend.Core;
using AbleMend.Core.Limits;
using AbleMend.Core.Plans;
using AbleMend.Core.Worth;
using AbleMend.Data;
using AbleMend.Server.Http;
using AbleMend.Server.Log;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;

namespace AbleMend.Server.Worth;

/// <summary>What a mend costs.</summary>
public static class WorthEndpoints
{
    private static readonly Problem NoRates = new("no-rates", "rates", "The shop has not said what it asks for an hour.", "Write it down under Shop.");

    private static readonly Problem NotMended = new("not-mended-here", "", "It is not mended here: there is nothing to weigh.", "Log it and send it on.");

    /// <summary>Maps the endpoints.</summary>
    public static void MapWorth(this RouteGroupBuilder api)
    {
        api.MapGet("/mends/{id:int}/estimate", (int id, MendStore mends, ShopStore shop, Planner planner, CancellationToken cancel) =>
                AnswerAsync(id, mends, shop, planner, (_, estimate) => Results.Ok(estimate), cancel))
            .WithName("getEstimate").WithSummary("What a mend is likely to cost, and what it came to so far.")
            .Produces<Estimate>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapGet("/mends/{id:int}/mend-or-replace", async (int id, double price, double servesMonths, double leftMonths, MendStore mends, ShopStore shop, Planner planner, MendDb db, CancellationToken cancel) =>
            {
                var seen = await HeldMends.SeenAsync(db, cancel);
                return await AnswerAsync(id, mends, shop, planner, (plan, estimate) => Weighed(plan, estimate, new Replacement(price, servesMonths, leftMonths), seen), cancel);
            })
            .WithName("getMendOrReplace").WithSummary("What a mend and its risk cost against a new one.")
            .Produces<MendOrReplace>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    /// <summary>Weighed by the method that fails soonest: that one ends the mend.</summary>
    private static IResult Weighed(RepairPlan plan, Estimate estimate, Replacement replacement, IReadOnlyDictionary<string, SeenOf> seen)
    {
        var faults = LimitTable.Check(replacement);
        var systems = plan.Damages.Select(damage => damage.System).OfType<PlannedSystem>().ToList();
        return faults.Count > 0 ? ProblemAnswers.Unprocessable(faults)
            : systems.Count == 0 ? ProblemAnswers.Unprocessable(NotMended)
            : Results.Ok(MendOrReplace.Of(estimate.Planned.Total, systems.Select(system => FailRate.Of(system.Permanence, seen.GetValueOrDefault(system.Method))).MaxBy(rate => rate.PerYear)!, replacement));
    }

    private static async Task<IResult> AnswerAsync(int id, MendStore mends, ShopStore shop, Planner planner, Func<RepairPlan, Estimate, IResult> answer, CancellationToken cancel)
    {
        if (await mends.FindAsync(id, cancel) is not { } found)
        {
            return ProblemAnswers.NotFound($"There is no mend {id}.");
        }

        var (settings, _) = await shop.ReadAsync(cancel);
        return found.Value is not { } mend ? ProblemAnswers.Unprocessable(found.Problems)
            : settings.Rates is null ? ProblemAnswers.Unprocessable(NoRates)
            : mend.Plan is not { } plan ? ProblemAnswers.Unprocessable(mend.Problems)
            : answer(plan, new WorthOfMends(planner, settings).EstimateOf(plan, mend.Events)!);
    }
}
