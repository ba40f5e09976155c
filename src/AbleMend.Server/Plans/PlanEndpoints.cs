using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Plans;
using AbleMend.Server.Http;

namespace AbleMend.Server.Plans;

/// <summary>Plans without keeping anything.</summary>
public static class PlanEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapPlans(this RouteGroupBuilder api)
    {
        api.MapPost("/plans/effects/{figure}", (string figure, RepairCase repairCase, Planner planner, TimeProvider time, CancellationToken cancel) =>
            {
                var outcome = planner.Effects(repairCase.StartingAt(time.GetUtcNow()), figure, cancel);
                return outcome.Value is { } effects ? Results.Ok(effects) : ProblemAnswers.Unprocessable(outcome.Problems);
            })
            .WithMetadata(new TakesCases())
            .WithName("effectsOn")
            .WithSummary("What a figure of a case's plan becomes when each that it is worked out from is a little more. Nothing is kept.")
            .Produces<IReadOnlyList<Effect>>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);

        api.MapPost("/plans", (RepairCase repairCase, Planner planner, TimeProvider time, CancellationToken cancel) =>
            {
                var outcome = planner.Plan(repairCase.StartingAt(time.GetUtcNow()), cancel);
                return outcome.Value is { } plan ? Results.Ok(plan) : ProblemAnswers.Unprocessable(outcome.Problems);
            })
            .WithMetadata(new TakesCases())
            .WithName("planCase")
            .WithSummary("Plan a case. Nothing is kept.")
            .Produces<RepairPlan>()
            .ProducesProblem(StatusCodes.Status400BadRequest)
            .ProducesProblem(StatusCodes.Status413PayloadTooLarge)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }
}
