using System.Net;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Server.Http;
using AbleMend.Server.Keeping;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.Options;

namespace AbleMend.Server.Tests;

/// <summary>A language file puts the core's sentences in other words; one that cannot be read stops the start.</summary>
public sealed class LanguageTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("able-mend-words").FullName;

    public void Dispose() => Directory.Delete(_folder, true);

    [Fact]
    public async Task What_the_file_knows_is_said_in_its_words_and_the_rest_stays_English()
    {
        using var server = Speaking("""{ "Cut away what is loose": "Loses wegschneiden" }""");
        var body = new StringContent(JsonSerializer.Serialize(Shop.DeckDing(), OpenJson.Options), System.Text.Encoding.UTF8, "application/json");
        var answer = await server.CreateClient().PostAsync("/api/plans", body);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        var titles = JsonDocument.Parse(await answer.Content.ReadAsStringAsync()).RootElement.GetProperty("steps").EnumerateArray().Select(step => step.GetProperty("title").GetString()).ToList();
        titles.ShouldContain("Loses wegschneiden");
        titles.ShouldNotContain("Cut away what is loose");
        titles.Count.ShouldBeGreaterThan(1);
    }

    [Theory]
    [InlineData("{ \"Cut away what is loose\": ")]
    [InlineData("[]")]
    public void A_file_that_cannot_be_read_stops_the_start_and_is_named(string file)
    {
        var path = Path.Combine(_folder, "words.json");
        File.WriteAllText(path, file);
        var options = new ServerOptions { Language = path };
        var fault = Should.Throw<InvalidDataException>(() => new Voices(new HttpContextAccessor(), Options.Create(options)));
        var (sentence, code) = StartFaults.Explain(fault, options)!.Value;
        sentence.ShouldContain("words.json");
        code.ShouldBe(StartFaults.BadOptions);
    }

    private WebApplicationFactory<Program> Speaking(string file)
    {
        var path = Path.Combine(_folder, "words.json");
        File.WriteAllText(path, file);
        return new WebApplicationFactory<Program>().WithWebHostBuilder(host =>
        {
            host.UseSetting("AbleMend:Database", Path.Combine(_folder, "shop.db"));
            host.UseSetting("AbleMend:Empty", "true");
            host.UseSetting("AbleMend:Language", path);
        });
    }
}
