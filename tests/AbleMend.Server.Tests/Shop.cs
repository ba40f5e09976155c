using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Mixing;
using AbleMend.Core.Running;
using AbleMend.Server.Mends;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Time.Testing;

namespace AbleMend.Server.Tests;

/// <summary>A shop with its own database file and its own clock. Reopening it on the same file is a restart.</summary>
public sealed class Shop : IDisposable
{
    private readonly WebApplicationFactory<Program> _factory;
    private readonly bool _owned;

    private Shop(string database, FakeTimeProvider time, bool empty, bool owned, int? instruments = null)
    {
        (Database, Time, _owned) = (database, time, owned);
        _factory = new WebApplicationFactory<Program>().WithWebHostBuilder(host =>
        {
            host.UseSetting("AbleMend:Database", database);
            host.UseSetting("AbleMend:Empty", empty.ToString());
            host.UseSetting("AbleMend:Instruments", instruments?.ToString(System.Globalization.CultureInfo.InvariantCulture));
            host.ConfigureTestServices(services => services.AddSingleton<TimeProvider>(time));
        });
        Client = _factory.CreateClient();
    }

    public string Database { get; }

    public FakeTimeProvider Time { get; }

    public HttpClient Client { get; }

    public static Shop Empty() => Open(true);

    /// <summary>A shop that instruments connect to.</summary>
    public static Shop WithInstruments(int port) => Open(true, port);

    public static Shop WithDemo() => Open(false);

    /// <summary>A port that nobody listens on.</summary>
    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    public T Service<T>() where T : notnull => _factory.Services.GetRequiredService<T>();

    public Shop Restarted() => new(Database, Time, true, false);

    /// <summary>Opened again after having been closed for so long: no round was made meanwhile, as there is for a clock that runs on.</summary>
    public Shop RestartedAfter(TimeSpan closed) => new(Database, new FakeTimeProvider(Time.GetUtcNow() + closed), true, false);

    public void Dispose()
    {
        _factory.Dispose();
        if (_owned)
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            foreach (var file in Directory.GetFiles(Path.GetDirectoryName(Database)!, Path.GetFileName(Database) + "*"))
            {
                File.Delete(file);
            }
        }
    }

    public static RepairCase DeckDing(string construction = "pu-polyester-board") =>
        new(
            RepairCase.CurrentFormat,
            new ItemFacts("BRD-01", construction, 30, Warranty.None),
            [new DamageToMend(new Damage(DamageKind.Ding, "deck", new RoundShape(34), 3.5, false, Cause.Knock))],
            new BenchFacts(20, 55),
            new Wanted(),
            new Tools(new CupDevice(5, 0.5, 60), ["P60", "P150", "P220", "P320", "P400"]));

    public async Task<int> AddItemAsync(string tag = "BRD-01", string construction = "pu-polyester-board")
    {
        var answer = await Client.PostAsJsonAsync("/api/items", new { tag, name = "Longboard, cream", construction, ageMonths = 30, warranty = "none" });
        answer.EnsureSuccessStatusCode();
        return (await answer.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("id").GetInt32();
    }

    public async Task<MendView> OpenMendAsync(RepairCase? repairCase = null, string tag = "BRD-01")
    {
        var item = await AddItemAsync(tag, repairCase?.Item.Construction ?? "pu-polyester-board");
        return await ReadAsync(await SendAsync(HttpMethod.Post, "/api/mends", new NewMend(item, repairCase ?? DeckDing())));
    }

    public async Task<HttpResponseMessage> SendAsync(HttpMethod method, string path, object? body = null, int? version = null, string? key = null)
    {
        using var request = new HttpRequestMessage(method, path);
        if (body is not null)
        {
            request.Content = JsonContent.Create(body, body.GetType(), options: OpenJson.Options);
        }

        if (version is { } number)
        {
            request.Headers.TryAddWithoutValidation("If-Match", number.ToString());
        }

        if (key is not null)
        {
            request.Headers.Add("Idempotency-Key", key);
        }

        return await Client.SendAsync(request);
    }

    public async Task<MendView> StartAsync(MendView mend) =>
        await ReadAsync(await SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/start", null, mend.Version));

    public async Task<MendView> HappenedAsync(MendView mend, Happening happened) =>
        await ReadAsync(await SendAsync(HttpMethod.Post, $"/api/mends/{mend.Id}/events", happened, mend.Version));

    public static async Task<MendView> ReadAsync(HttpResponseMessage answer)
    {
        answer.IsSuccessStatusCode.ShouldBeTrue(await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<MendView>(OpenJson.Options))!;
    }

    public static async Task<Problem> ProblemAsync(HttpResponseMessage answer)
    {
        answer.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        var document = await answer.Content.ReadFromJsonAsync<JsonElement>();
        return document.GetProperty("problems")[0].Deserialize<Problem>(OpenJson.Options)!;
    }

    private static Shop Open(bool empty, int? instruments = null) =>
        new(
            Path.Combine(Path.GetTempPath(), $"able-mend-{Guid.NewGuid():N}.db"),
            new FakeTimeProvider(new DateTimeOffset(2026, 5, 6, 9, 0, 0, TimeSpan.Zero)),
            empty,
            true,
            instruments);
}
