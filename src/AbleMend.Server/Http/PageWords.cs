using System.Text.Json;
using AbleMend.Core.Words;

namespace AbleMend.Server.Http;

/// <summary>The words that the page says by itself, in the language of the server's language file.</summary>
public static class PageWords
{
    /// <summary>Maps the endpoint. It is a script and not data, so that the words are there before the page that says them.</summary>
    public static void MapWords(this RouteGroupBuilder api)
    {
        var templates = Templates.Listed(typeof(PageWords), "words/page.json");
        api.MapGet("/words.js", (Voices voices) => Results.Text($"globalThis.ableMendWords = {JsonSerializer.Serialize(voices.Now.Phrases.Among(templates))};", "text/javascript"))
            .ExcludeFromDescription();
    }
}
