using AbleMend.Core.Plans;
using NetArchTest.Rules;

namespace AbleMend.Core.Tests;

/// <summary>Which folders of the core may know which: what is worked out knows nothing of the plans that use it.</summary>
public sealed class DirectionTests
{
    /// <summary>Every room of the core, in the order of the trade: a room may know those before it and none after it.</summary>
    private static readonly string[] Order =
    [
        "Quantities", "Words", "Limits", "Figures",
        "Gear", "Looking", "Materials",
        "Curing", "Mixing", "Patching", "Preparing", "Finishing", "Clamping", "Safety", "Proving", "Timing", "Instruments",
        "Catalogue", "Cases", "Triage", "Matching", "Methods", "HandingBack", "Plans", "Rescuing", "Running", "Stock", "Worth", "Intake", "Days",
    ];

    public static TheoryData<string> Rooms => [.. Order];

    [Theory]
    [MemberData(nameof(Rooms))]
    public void A_room_does_not_know_the_rooms_after_it(string room)
    {
        var types = Types.InAssembly(typeof(Planner).Assembly).That().ResideInNamespace($"AbleMend.Core.{room}");
        types.GetTypes().ShouldNotBeEmpty();

        var after = Order.SkipWhile(each => each != room).Skip(1).Select(each => $"AbleMend.Core.{each}").ToArray();
        (after.Length == 0 ? [] : types.ShouldNot().HaveDependencyOnAny(after).GetResult().FailingTypeNames ?? []).ShouldBeEmpty();
    }

    [Fact]
    public void Every_room_stands_in_the_order() =>
        typeof(Planner).Assembly.GetTypes().Select(type => type.Namespace).OfType<string>().Where(space => space.StartsWith("AbleMend.Core.", StringComparison.Ordinal))
            .Select(space => space.Split('.')[2]).Distinct().ShouldBeSubsetOf(Order);

    // At the root stand the nouns that everybody uses, and the open formats, which are made of all the rest.
    [Fact]
    public void What_stands_at_the_root_knows_no_room_but_words_unless_it_reads_and_writes_the_formats()
    {
        string[] formats = ["OpenJson", "OpenJsonContext", "FormatSchemas", "OldFormats"];
        var nouns = typeof(Planner).Assembly.GetTypes().Where(type => type is { Namespace: "AbleMend.Core", IsNested: false } && !formats.Contains(type.Name)).Select(type => type.Name).ToList();
        var result = Types.InAssembly(typeof(Planner).Assembly).That().HaveName([.. nouns]).And().ResideInNamespaceMatching("^AbleMend\\.Core$")
            .ShouldNot().HaveDependencyOnAny([.. Order.Where(room => room is not ("Words" or "Quantities")).Select(room => $"AbleMend.Core.{room}")]).GetResult();
        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }

    [Fact]
    public void A_room_that_knows_another_is_seen() =>
        Types.InAssembly(typeof(Planner).Assembly).That().ResideInNamespace("AbleMend.Core.Plans")
            .ShouldNot().HaveDependencyOnAny("AbleMend.Core.Methods").GetResult().IsSuccessful.ShouldBeFalse();

    [Fact]
    public void The_core_knows_no_disk_network_web_or_database()
    {
        var result = Types.InAssembly(typeof(Planner).Assembly)
            .ShouldNot().HaveDependencyOnAny("System.Net", "System.IO.File", "System.IO.Directory", "Microsoft.AspNetCore", "Microsoft.EntityFrameworkCore").GetResult();

        (result.FailingTypeNames ?? []).ShouldBeEmpty();
    }
}
