using AbleMend.Core.Plans;
using NetArchTest.Rules;

namespace AbleMend.Core.Tests;

/// <summary>Which folders of the core may know which: what is worked out knows nothing of the plans that use it.</summary>
public sealed class DirectionTests
{
    private static readonly string[] Calculators = ["Curing", "Mixing", "Patching", "Preparing", "Finishing", "Clamping", "Safety", "Proving"];
    private static readonly string[] Things = ["Gear", "Materials", "Looking"];
    private static readonly string[] Deciding = ["Catalogue", "Matching", "Triage", "Methods", "Plans", "Running", "HandingBack"];

    public static TheoryData<string, string[]> Rooms()
    {
        var rooms = new TheoryData<string, string[]>
        {
            { "Quantities", ["Words", "Limits", "Figures", .. Things, .. Calculators, .. Deciding] },
            { "Words", ["Limits", "Figures", .. Things, .. Calculators, .. Deciding] },
            { "Limits", ["Figures", .. Things, .. Calculators, .. Deciding] },
            { "Figures", [.. Things, .. Calculators, .. Deciding] },
            { "Gear", ["Materials", "Figures", .. Calculators, .. Deciding] },
            { "Materials", [.. Calculators, .. Deciding] },
            { "Triage", ["Matching", "Methods", "Running", "HandingBack"] },
            { "Matching", ["Running", "HandingBack"] },
            { "Methods", ["Running", "HandingBack", "Triage"] },
            { "Plans", ["Running"] },
        };
        foreach (var calculator in Calculators)
        {
            rooms.Add(calculator, Deciding);
        }

        return rooms;
    }

    [Theory]
    [MemberData(nameof(Rooms))]
    public void A_room_does_not_know_the_rooms_after_it(string room, string[] after)
    {
        var found = Types.InAssembly(typeof(Planner).Assembly).That().ResideInNamespace($"AbleMend.Core.{room}").GetTypes();
        found.ShouldNotBeEmpty();

        var result = Types.InAssembly(typeof(Planner).Assembly).That().ResideInNamespace($"AbleMend.Core.{room}")
            .ShouldNot().HaveDependencyOnAny([.. after.Select(each => $"AbleMend.Core.{each}")]).GetResult();

        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }

    [Fact]
    public void A_room_that_knows_another_is_seen() =>
        Types.InAssembly(typeof(Planner).Assembly).That().ResideInNamespace("AbleMend.Core.Methods")
            .ShouldNot().HaveDependencyOnAny("AbleMend.Core.Plans").GetResult().IsSuccessful.ShouldBeFalse();

    [Fact]
    public void The_core_knows_no_disk_network_web_or_database()
    {
        var result = Types.InAssembly(typeof(Planner).Assembly)
            .ShouldNot().HaveDependencyOnAny("System.Net", "System.IO.File", "System.IO.Directory", "Microsoft.AspNetCore", "Microsoft.EntityFrameworkCore").GetResult();

        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }
}
