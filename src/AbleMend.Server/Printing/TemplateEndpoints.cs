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
        api.MapGet("/mends/{id:int}/template.svg", (int id, int? damage, MendStore store, CancellationToken cancel) =>
                WithPatches(id, damage, store, (patches, title) => Results.Text(Template.Svg(patches, title), "image/svg+xml"), cancel))
            .WithName("getTemplateSvg").WithSummary("The patch template at 1:1 as SVG.");
        api.MapGet("/mends/{id:int}/template.pdf", (int id, int? damage, MendStore store, CancellationToken cancel) =>
                WithPatches(id, damage, store, (patches, title) => Results.File(TemplatePdf.Write(patches, title), "application/pdf"), cancel))
            .WithName("getTemplatePdf").WithSummary("The patch template at 1:1 as PDF.");
    }

    private static async Task<IResult> WithPatches(
        int id, int? damage, MendStore store, Func<IReadOnlyList<Patch>, string, IResult> use, CancellationToken cancel)
    {
        var found = await store.FindAsync(id, cancel);
        if (found?.Value is not { } mend)
        {
            return found is null ? ProblemAnswers.NotFound("mend", id) : ProblemAnswers.Unprocessable(found.Problems);
        }

        return mend.Plan?.Damages.ElementAtOrDefault((damage ?? 1) - 1) is { Patches.Count: > 0 } planned
            ? use(planned.Patches, planned.Number == 1 ? $"{mend.Tag}, mend {mend.Id}" : $"{mend.Tag}, mend {mend.Id}, damage {planned.Number}")
            : ProblemAnswers.Unprocessable(new Core.Problem("no-patches", "", "This damage is mended without patches.", "Choose a method that lays cloth, or go on without a template."));
    }
}
