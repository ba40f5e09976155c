using System.Reflection;
using AbleMend.Core;
using AbleMend.Core.Plans;
using AbleMend.Data;
using AbleMend.Server;
using AbleMend.Server.Days;
using AbleMend.Server.Gallery;
using AbleMend.Server.Gear;
using AbleMend.Server.Http;
using AbleMend.Server.Instruments;
using AbleMend.Server.Intake;
using AbleMend.Server.Keeping;
using AbleMend.Server.Log;
using AbleMend.Server.Mends;
using AbleMend.Server.Photographs;
using AbleMend.Server.Plans;
using AbleMend.Server.Printing;
using AbleMend.Server.Shelf;
using AbleMend.Server.Shop;
using AbleMend.Server.Worth;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using Serilog;
using Serilog.Settings.Configuration;

// Read while the server is put together: whoever asks first waits for what is left of it.
var shipped = Task.Run(Planner.Shipped);
// The settings are read at the start alone: a watch on their file would be one more thing to set up, and to run out of.
var builder = WebApplication.CreateSlimBuilder([.. args, "--hostBuilder:reloadConfigOnChange=false"]);
builder.Host.UseSerilog((context, log) => log.ReadFrom.Configuration(context.Configuration, new ConfigurationReaderOptions(typeof(ConsoleLoggerConfigurationExtensions).Assembly)).Filter.ByExcluding(StartFaults.IsPutOff).WriteTo.Console());
builder.Services.AddOptions<ServerOptions>().BindConfiguration(ServerOptions.Section).ValidateDataAnnotations().ValidateOnStart();
var options = builder.Configuration.GetSection(ServerOptions.Section).Get<ServerOptions>() ?? new ServerOptions();
builder.WebHost.ConfigureKestrel(kestrel =>
{
    // Loopback only: a shop's network is reached through a proxy on this machine, which brings encryption and a login.
    kestrel.ListenLocalhost(options.Port);
    kestrel.Limits.MaxRequestBodySize = options.LargestBodyBytes;
    kestrel.AddServerHeader = false;
});
builder.Services.Configure<ForwardedHeadersOptions>(forwarded => Proxies.Believe(forwarded, options.Proxy));
builder.Services.Configure<JsonOptions>(json =>
{
    OpenJson.Apply(json.SerializerOptions);
    json.SerializerOptions.TypeInfoResolverChain.Insert(1, ContractsJson.Default);
});
builder.Services.AddHttpContextAccessor();
builder.Services.AddSingleton<Voices>();
builder.Services.AddSingleton<IConfigureOptions<JsonOptions>, SpokenAnswers>();
builder.Services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
builder.Services.AddSingleton(services => new ShopClock(services.GetRequiredService<IOptions<ServerOptions>>().Value.Clock, TimeProvider.System));
builder.Services.AddSingleton<TimeProvider>(services => services.GetRequiredService<ShopClock>());
builder.Services.AddSingleton(_ => shipped.GetAwaiter().GetResult());
builder.Services.AddSingleton<Writes>();
builder.Services.AddDbContext<MendDb>((services, db) =>
    db.UseSqlite(MendDb.ConnectionTo(services.GetRequiredService<IOptions<ServerOptions>>().Value.Database)).AddInterceptors(services.GetRequiredService<Writes>()));
builder.Services.AddOutputCache();
builder.Services.AddRateLimiter(Crowds.Limit);
builder.Services.AddSingleton<WorkedCases>();
builder.Services.AddSingleton<MendRecords>();
builder.Services.AddSingleton<Backups>();
builder.Services.AddHostedService(services => services.GetRequiredService<Backups>());
builder.Services.AddSingleton<OldDeeds>();
builder.Services.AddHostedService(services => services.GetRequiredService<OldDeeds>());
builder.Services.AddSingleton<InstrumentDesk>();
builder.Services.AddHostedService<InstrumentPort>();
builder.Services.AddSingleton<BenchClimate>();
builder.Services.AddHostedService(services => services.GetRequiredService<BenchClimate>());
builder.Services.AddSingleton<HoldWatch>();
builder.Services.AddHostedService(services => services.GetRequiredService<HoldWatch>());
builder.Services.AddScoped<MendStore>();
builder.Services.AddScoped<ShopStore>();
builder.Services.AddScoped<LotDraws>();
builder.Services.AddSingleton<PieceTurns>();
builder.Services.AddScoped<PieceBook>();
builder.Services.AddScoped<PhotographStore>();
builder.Services.AddSingleton<PictureTurns>();
builder.Services.AddScoped<PaceBook>();
builder.Services.AddSingleton<PaceTurns>();
builder.Services.AddSingleton<PaceRounds>();
builder.Services.AddHostedService(services => services.GetRequiredService<PaceRounds>());
builder.Services.AddSingleton<DaysDesk>();
builder.Services.AddScoped<DaysStore>();
builder.Services.AddSingleton<DaysRounds>();
builder.Services.AddHostedService(services => services.GetRequiredService<DaysRounds>());
builder.Services.AddScoped<ShelfStore>();
builder.Services.AddScoped<TicketStore>();
builder.Services.AddScoped<AgreementStore>();
builder.Services.AddProblemDetails(details => details.CustomizeProblemDetails = ProblemAnswers.Complete);
builder.Services.AddExceptionHandler<FaultHandler>();
builder.Services.AddOpenApi("v1", OpenApiWords.Describe);
builder.Services.AddResponseCompression(compression => compression.EnableForHttps = false);

try
{
    var app = builder.Build();
    // A language file that cannot be read stops the start, and not every answer.
    _ = app.Services.GetRequiredService<Voices>();
    if (options.Proxy is not null)
    {
        app.UseForwardedHeaders();
    }

    app.UseSecurityHeaders(Headers.Policy());
    app.UseExceptionHandler();
    app.UseStatusCodePages();
    app.UseCaching();
    app.UseOwnNamesOnly(options.Hosts);
    app.UseReadableBodies();
    app.UseDeedKeys();
    app.UseRateLimiter();
    app.UseOldBodies();
    app.UseOutputCache();
    app.MapStaticAssets();
    app.MapOpenApi("/openapi/{documentName}.json");

    var api = app.MapGroup("/api");
    api.MapPlans();
    api.MapCatalogue();
    api.MapShop();
    api.MapItems();
    api.MapMends();
    api.MapDays();
    api.MapFollowUps();
    api.MapShelf();
    api.MapWorth();
    api.MapTickets();
    api.MapPhotographs();
    api.MapInstruments();
    api.MapLog();
    api.MapTemplates();
    api.MapGallery();
    api.MapWords();
    api.MapFallback(ProblemAnswers.NothingHere).ExcludeFromDescription();
    app.MapCalendars();
    app.MapFallbackToFile("index.html");
    var endpoints = EndpointsOnce.Of(app);

    // The tool that writes the API's description runs this file as well: it must not touch a database.
    if (Assembly.GetEntryAssembly()?.GetName().Name != "GetDocument.Insider")
    {
        // After the catalogue: two threads are what a small machine has, and the other makes the database ready.
        _ = shipped.ContinueWith(_ => endpoints.Endpoints, TaskScheduler.Default);
        await Startup.PrepareAsync(app.Services, CancellationToken.None);
        // Beside the addresses, which the server puts together while it begins to listen: nobody waits for either by itself.
        _ = Startup.AskFirstAsync(app.Services);
    }

    await app.RunAsync();
    return 0;
}
catch (Exception fault) when (StartFaults.Explain(fault, options) is { } known)
{
    await Console.Error.WriteLineAsync(known.Sentence);
    return known.Code;
}

/// <summary>Named so that tests can host it.</summary>
public partial class Program;
