using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Matching;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using Perfolizer.Horology;

var config = DefaultConfig.Instance
    .AddJob(Job.Default.WithToolchain(InProcessEmitToolchain.Instance).WithIterationTime(TimeInterval.FromMilliseconds(100)).WithWarmupCount(15).WithIterationCount(15))
    .WithArtifactsPath(Path.Combine(AppContext.BaseDirectory, "results"));
BenchmarkRunner.Run<Planning>(config);
BenchmarkRunner.Run<Bench>(config);

/// <summary>How long the core takes, beside a floor that any plan must pay: writing the same plan as JSON.</summary>
[MemoryDiagnoser]
[MedianColumn]
public class Planning
{
    private readonly Planner _planner = Planner.Shipped();
    private static readonly MendCatalogue _many = TwoHundred();
    private static readonly Planner _large = new(_many, AllMethods.List);
    private RepairCase _case = null!;
    private RepairPlan _plan = null!;

    /// <value>Case file that is planned.</value>
    [Params("fin-box-surround", "deck-ding-quick", "eps-rail-hole", "inflatable-board-puncture", "ski-core-shot")]
    public string Example { get; set; } = "";

    [GlobalSetup]
    public void Setup()
    {
        _case = OpenJson.ReadCase(File.ReadAllText(Path.Combine(Examples.Folder, $"{Example}.case.json"))).Value!;
        _plan = _planner.Plan(_case).Value!;
        WarmUp();
    }

    /// <summary>
    /// The runtime recompiles what is called often, in the background and only after a quiet moment. All cases share one
    /// process here, so without this the first of them would be timed in code that is still being compiled.
    /// </summary>
    private void WarmUp()
    {
        for (var round = 0; round < 10; round++)
        {
            for (var i = 0; i < 300; i++)
            {
                _planner.Plan(_case);
                MatchTwoHundredMaterials();
            }

            Thread.Sleep(150);
        }
    }

    [Benchmark(Baseline = true)]
    public int WriteThePlanAsJson() => System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(_plan, OpenJson.Options).Length;

    [Benchmark]
    public RepairPlan PlanTheCase() => _planner.Plan(_case).Value!;

    /// <summary>A plan out of two hundred materials: the shop has added a product of its own for every second one of the catalogue until there are so many.</summary>
    [Benchmark]
    public RepairPlan PlanOutOfTwoHundredMaterials() => _large.Plan(_case).Value!;

    [Benchmark]
    public MendCatalogue LoadTheCatalogue() => CatalogueLoader.LoadShipped(AllMethods.Known);

    /// <summary>Only the ranking of systems out of two hundred materials.</summary>
    [Benchmark]
    public IReadOnlyList<Candidate> MatchTwoHundredMaterials() => Matcher.Rank(new CaseView(_case, _many), AllMethods.List);

    private static MendCatalogue TwoHundred()
    {
        var catalogue = CatalogueLoader.LoadShipped(AllMethods.Known);
        var holding = catalogue.MaterialList.Where(material => material.Holds).ToList();
        var added = Enumerable.Range(0, 200 - catalogue.MaterialList.Count).Select(i => holding[i % holding.Count] with { Id = $"own-{i}" }).ToList();
        return catalogue.With(added);
    }
}

/// <summary>How long a bench of fifty mends takes to be told of other air, beside writing one plan as JSON.</summary>
public class Bench
{
    private static readonly Planner _planner = Planner.Shipped();
    private readonly RepairPlan _plan;
    private readonly List<Mend> _mends = [];
    private readonly DateTimeOffset _now = new(2026, 5, 6, 9, 0, 0, TimeSpan.Zero);

    public Bench()
    {
        var cases = Directory.EnumerateFiles(Examples.Folder, "*.case.json").Order().Select(file => OpenJson.ReadCase(File.ReadAllText(file)).Value!).ToList();
        _plan = _planner.Plan(cases[0].StartingAt(_now)).Value!;
        for (var i = 0; _mends.Count < 50; i++)
        {
            if (Mend.Open(cases[i % cases.Count], _planner, _now).Value?.Start(_planner, _now).Value is { } started)
            {
                _mends.Add(Begun(started).Keep(new Happening(RunEventKind.Reading, Value: 14), _now.AddHours(1)).Value!);
            }
        }
    }

    [Benchmark(Baseline = true)]
    public int WriteAPlanAsJson() => System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(_plan, OpenJson.Options).Length;

    [Benchmark]
    public int PredictFiftyMendsAfterAReading() => _mends.Count(mend => mend.StateAt(_now.AddHours(1)).ReadyAt is not null);

    /// <summary>On to its first wait, so that a window is there to move.</summary>
    private Mend Begun(Mend mend)
    {
        while (mend.StateAt(_now.AddMinutes(30)) is { Phase: StepPhase.Next } state && mend.Keep(new Happening(RunEventKind.HandsDone, state.CurrentStepId), _now.AddMinutes(30)).Value is { } done)
        {
            mend = done;
        }

        return mend;
    }
}

/// <summary>Where the worked cases lie.</summary>
internal static class Examples
{
    public static string Folder { get; } = Find();

    private static string Find()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!Directory.Exists(Path.Combine(folder.FullName, "examples")))
        {
            folder = folder.Parent!;
        }

        return Path.Combine(folder.FullName, "examples");
    }
}
