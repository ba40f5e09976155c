using Microsoft.AspNetCore.OpenApi;

namespace AbleMend.Server.Http;

/// <summary>Title and version of the API's description.</summary>
public static class OpenApiWords
{
    /// <summary>Sets them.</summary>
    public static void Describe(OpenApiOptions options) =>
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info.Title = "Able Mend";
            document.Info.Version = "1";
            document.Info.Description = "Cases in, plans out, and the bench in between. Cases and plans have the shapes of the open formats.";
            document.Servers?.Clear();
            return Task.CompletedTask;
        });
}
