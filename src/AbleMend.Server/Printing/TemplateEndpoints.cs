using AbleMend.Core;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;

namespace AbleMend.Server.Printing;

/// <summary>Patch templates to print.</summary>
public static class TemplateEndpoints
{
    /// <summary>Maps the endpoints.</summary>
    public static void MapTemplates(this RouteGroupBuilder api)
    {
        api.MapGet("/mends/{id:int}/template.svg", (int id, int? damage, string? units, MendStore store, Voices voices, CancellationToken cancel) =>
                WithPatches(id, damage, store, (patches, title) => Svg(patches, title, voices.In(units)), cancel))
            .WithName("getTemplateSvg").WithSummary("The patch template at 1:1 as SVG, in metric or us units.");
        api.MapGet("/mends/{id:int}/template.pdf", (int id, int? damage, string? units, MendStore store, Voices voices, CancellationToken cancel) =>
                WithPatches(id, damage, store, (patches, title) => Pdf(patches, title, voices.In(units)), cancel))
            .WithName("getTemplatePdf").WithSummary("The patch template at 1:1 as PDF, in metric or us units.");
    }

    private static IResult Svg(IReadOnlyList<Patch> patches, Message title, Voice voice) =>
        Results.Text(Template.Svg(Template.Whole(patches, title, voice.System), voice), "image/svg+xml");

    private static IResult Pdf(IReadOnlyList<Patch> patches, Message title, Voice voice) =>
        Results.File(TemplatePdf.Write(Template.Sheets(patches, title, voice.System), voice), "application/pdf");

    private static async Task<IResult> WithPatches(int id, int? damage, MendStore store, Func<IReadOnlyList<Patch>, Message, IResult> use, CancellationToken cancel)
    {
        var found = await store.FindAsync(id, cancel);
        if (found?.Value is not { } mend)
        {
            return found is null ? ProblemAnswers.NotFound($"There is no mend {id}.") : ProblemAnswers.Unprocessable(found.Problems);
        }

        return mend.Plan?.Damages.ElementAtOrDefault((damage ?? 1) - 1) is { Patches.Count: > 0 } planned
            ? use(planned.Patches, planned.Number == 1 ? (Message)$"{mend.Tag:as-is}, mend {mend.Id}" : (Message)$"{mend.Tag:as-is}, mend {mend.Id}, damage {planned.Number}")
            : ProblemAnswers.Unprocessable(new Problem("no-patches", "", "This damage is mended without patches.", "Choose a method that lays cloth, or go on without a template."));
    }
}
