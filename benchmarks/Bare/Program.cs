using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Plans;
using Microsoft.AspNetCore.Http.Json;

// The floor for POST /api/plans: the same framework reads the same case and writes a plan of the same size, worked out once.
var builder = WebApplication.CreateBuilder(args);
builder.Logging.ClearProviders();
builder.Services.Configure<JsonOptions>(json => OpenJson.Apply(json.SerializerOptions));
var app = builder.Build();
// Started with nothing, it is the floor for a start: a page of the same framework.
app.MapGet("/", () => "");
if (args is [var example, ..])
{
    var plan = Planner.Shipped().Plan(OpenJson.ReadCase(File.ReadAllText(example)).Value!).Value!;
    app.MapPost("/plans", (RepairCase repairCase) => repairCase.Item.Tag.Length > 0 ? Results.Ok(plan) : Results.BadRequest());
}

// The floor for GET /api/bench and /api/days: the same framework writes an answer of the same size from what is held in memory.
foreach (var file in args.Skip(1))
{
    var held = JsonSerializer.Deserialize<JsonElement>(File.ReadAllText(file));
    app.MapGet($"/{Path.GetFileNameWithoutExtension(file)}", () => Results.Ok(held));
}

app.Run();
