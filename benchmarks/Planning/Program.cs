using AbleMend.Core;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Plans;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;

BenchmarkRunner.Run<Planning>(DefaultConfig.Instance
    .AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.Instance))
    .WithArtifactsPath(Path.Combine(AppContext.BaseDirectory, "results")));

/// <summary>How long the core takes, beside a floor that any plan must pay: writing the same plan as JSON.</summary>
[MemoryDiagnoser]
[MedianColumn]
public class Planning
{
    private readonly Planner _planner = Planner.Shipped();
    private RepairCase _case = null!;
    private RepairPlan _plan = null!;

    /// <value>Case file that is planned.</value>
    [Params("fin-box-surround", "deck-ding-quick", "eps-rail-hole")]
    public string Example { get; set; } = "";

    [GlobalSetup]
    public void Setup()
    {
        _case = OpenJson.ReadCase(File.ReadAllText(Path.Combine(FindExamples(), $"{Example}.case.json"))).Value!;
        _plan = _planner.Plan(_case).Value!;
    }

    [Benchmark(Baseline = true)]
    public int WriteThePlanAsJson() => System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(_plan, OpenJson.Options).Length;

    [Benchmark]
    public RepairPlan PlanTheCase() => _planner.Plan(_case).Value!;

    [Benchmark]
    public MendCatalogue LoadTheCatalogue() => CatalogueLoader.LoadShipped();

    private static string FindExamples()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!Directory.Exists(Path.Combine(folder.FullName, "examples")))
        {
            folder = folder.Parent!;
        }

        return Path.Combine(folder.FullName, "examples");
    }
}
