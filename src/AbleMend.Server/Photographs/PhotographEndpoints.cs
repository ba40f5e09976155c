using AbleMend.Core;
using AbleMend.Data;
using AbleMend.Server.Http;
using AbleMend.Server.Mends;
using AbleMend.Server.Shop;
using Microsoft.AspNetCore.Mvc;
using Microsoft.OpenApi;

namespace AbleMend.Server.Photographs;

/// <summary>Photographs of mends, and the pack that goes to whoever decides on a warranty.</summary>
public static class PhotographEndpoints
{
    /// <summary>Largest file that is taken, in bytes.</summary>
    public const int LargestFileBytes = 16_000_000;

    private const int LongestStepId = 80;

    private static readonly Problem NotAFile = new("not-a-picture", "", "This is sent as no picture.", "Send the file with the content type image/jpeg, image/png or image/webp.");
    private static readonly Problem TooLarge = new("too-large", "", $"A photograph may have {LargestFileBytes / 1_000_000} MB.", "Set the camera to a smaller size, or save the picture smaller.");
    private static readonly string[] Kinds = ["image/jpeg", "image/png", "image/webp"];

    /// <summary>Maps the endpoints.</summary>
    public static void MapPhotographs(this RouteGroupBuilder api)
    {
        api.MapGet("/mends/{id:int}/photographs", async (int id, PhotographStore store, CancellationToken cancel) =>
                await store.ListAsync(id, cancel) is { } photographs ? Results.Ok(photographs) : ProblemAnswers.NotFound($"There is no mend {id}."))
            .WithName("getPhotographs").WithSummary("The photographs of a mend, in the order in which they were taken.")
            .Produces<IReadOnlyList<PhotographView>>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapPost("/mends/{id:int}/photographs", async (int id, string? step, DateTimeOffset? at, HttpRequest request, PhotographStore store, CancellationToken cancel) =>
                !Kinds.Contains(request.ContentType?.Split(';')[0].Trim(), StringComparer.OrdinalIgnoreCase) ? ProblemAnswers.Answer(StatusCodes.Status415UnsupportedMediaType, "This is no picture.", [NotAFile])
                : step is { Length: > LongestStepId } ? ProblemAnswers.Unprocessable(new Problem("too-long", "step", $"A step's name has at most {LongestStepId} characters.", "Reload the mend."))
                : await BytesAsync(request, cancel) is not { } file ? ProblemAnswers.Answer(StatusCodes.Status413PayloadTooLarge, "That is too large.", [TooLarge])
                : Answer(id, await store.KeepAsync(id, step, at, file, cancel)))
            .WithMetadata(new RequestSizeLimitAttribute(LargestFileBytes * 2L))
            .AddOpenApiOperationTransformer((operation, _, _) =>
            {
                // Said here and checked above: the router would answer for it in the words of JSON.
                operation.RequestBody = new OpenApiRequestBody { Required = true, Content = Kinds.ToDictionary(kind => kind, _ => new OpenApiMediaType { Schema = new OpenApiSchema { Type = JsonSchemaType.String, Format = "binary" } }) };
                return Task.CompletedTask;
            })
            .WithName("addPhotograph").WithSummary("Keep a photograph of a mend; what a camera wrote beside the picture is left out.")
            .Produces<PhotographView>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status413PayloadTooLarge)
            .ProducesProblem(StatusCodes.Status415UnsupportedMediaType).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapGet("/photographs/{id:int}", (int id, PhotographStore store, CancellationToken cancel) => PictureAsync(id, store.PictureAsync(id, false, cancel)))
            .WithName("getPicture").WithSummary("The picture of a photograph.").Produces<byte[]>(StatusCodes.Status200OK, "image/jpeg").ProducesProblem(StatusCodes.Status404NotFound);
        api.MapGet("/photographs/{id:int}/small", (int id, PhotographStore store, CancellationToken cancel) => PictureAsync(id, store.PictureAsync(id, true, cancel)))
            .WithName("getSmallPicture").WithSummary("The same, small.").Produces<byte[]>(StatusCodes.Status200OK, "image/jpeg").ProducesProblem(StatusCodes.Status404NotFound);
        api.MapDelete("/photographs/{id:int}", async (int id, PhotographStore store, CancellationToken cancel) =>
                await store.RemoveAsync(id, cancel) switch
                {
                    null => ProblemAnswers.NotFound($"There is no photograph {id}."),
                    { Count: > 0 } problems => ProblemAnswers.Unprocessable(problems),
                    _ => Results.NoContent(),
                })
            .WithName("removePhotograph").WithSummary("Remove a photograph of a mend that is not closed.")
            .Produces(StatusCodes.Status204NoContent).ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapGet("/mends/{id:int}/warranty-pack.zip", PackAsync)
            .WithName("getWarrantyPack").WithSummary("What was seen, done and measured, with the photographs, as one file.")
            .Produces<byte[]>(StatusCodes.Status200OK, "application/zip").ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static async Task<IResult> PackAsync(int id, string? units, MendDb db, MendRecords records, PhotographStore store, ShopStore shop, Voices voices, CancellationToken cancel)
    {
        if (await db.MendAsync(id, cancel) is not { } row)
        {
            return ProblemAnswers.NotFound($"There is no mend {id}.");
        }

        if (records.Read(row) is not { Value: { Plan: not null } mend })
        {
            return records.Read(row) is { Problems: { Count: > 0 } unreadable } ? ProblemAnswers.Unprocessable(unreadable)
                : ProblemAnswers.Unprocessable(new Problem("not-started", "", "Nothing was done to it yet.", "Start it, or send it on, first."));
        }

        var photographs = new List<(PhotographView, byte[])>();
        foreach (var view in await store.ListAsync(id, cancel) ?? [])
        {
            if (await store.PictureAsync(view.Id, false, cancel) is { } jpeg)
            {
                photographs.Add((view, jpeg));
            }
        }

        var (settings, _) = await shop.ReadAsync(cancel);
        var pack = new WarrantyPack(id, row.Item.Tag, row.Item.Name, settings.Name, mend, photographs);
        return Results.File(pack.Zip(units is null ? voices.Now : voices.In(units), TimeZoneInfo.FindSystemTimeZoneById(settings.Bench.Zone)), "application/zip", $"mend-{id}.zip");
    }

    private static async Task<IResult> PictureAsync(int id, Task<byte[]?> asked) =>
        await asked is { } jpeg ? Results.File(jpeg, "image/jpeg") : ProblemAnswers.NotFound($"There is no photograph {id}.");

    private static IResult Answer(int id, Outcome<PhotographView>? kept) => kept switch
    {
        null => ProblemAnswers.NotFound($"There is no mend {id}."),
        { Value: { } view } => Results.Ok(view),
        var refused => ProblemAnswers.Unprocessable(refused.Problems),
    };

    /// <summary>The file; null where it is larger than is taken.</summary>
    private static async Task<byte[]?> BytesAsync(HttpRequest request, CancellationToken cancel)
    {
        if (request.ContentLength > LargestFileBytes)
        {
            return null;
        }

        using var bytes = new MemoryStream((int)(request.ContentLength ?? 0));
        var part = new byte[64 * 1024];
        for (int read; (read = await request.Body.ReadAsync(part, cancel)) > 0;)
        {
            bytes.Write(part, 0, read);
            if (bytes.Length > LargestFileBytes)
            {
                return null;
            }
        }

        return bytes.ToArray();
    }
}
