using AbleMend.Core.Patching;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Printing;

/// <summary>Patch templates to print.</summary>
public static class TemplateEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapTemplates(this RouteGroupBuilder api)
    {
        api.MapGet("/mends/{id:int}/template.svg", (int id, MendStore store, CancellationToken cancel) =>
                WithPatches(id, store, (patches, title) => Results.Text(Template.Svg(patches, title), "image/svg+xml"), cancel))
            .WithName("getTemplateSvg").WithSummary("The patch template at 1:1 as SVG.");
        api.MapGet("/mends/{id:int}/template.pdf", (int id, MendStore store, CancellationToken cancel) =>
                WithPatches(id, store, (patches, title) => Results.File(TemplatePdf.Write(patches, title), "application/pdf"), cancel))
            .WithName("getTemplatePdf").WithSummary("The patch template at 1:1 as PDF.");
    }

    private static async Task<IResult> WithPatches(
        int id, MendStore store, Func<IReadOnlyList<Patch>, string, IResult> use, CancellationToken cancel)
    {
        var found = await store.FindAsync(id, cancel);
        if (found?.Value is not { } mend)
        {
            return found is null ? ProblemAnswers.NotFound("mend", id) : ProblemAnswers.Unprocessable(found.Problems);
        }

        return mend.Plan is { Patches.Count: > 0 } plan
            ? use(plan.Patches, $"{mend.Tag}, mend {mend.Id}")
            : ProblemAnswers.Unprocessable(new Core.Problem("no-patches", "", "This mend lays no patches.", "Choose a method that lays cloth, or go on without a template."));
    }
}
