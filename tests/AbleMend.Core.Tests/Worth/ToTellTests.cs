using AbleMend.Core.Catalogue;
using AbleMend.Core.Plans;
using AbleMend.Core.Tests.Gallery;
using AbleMend.Core.Worth;

namespace AbleMend.Core.Tests.Worth;

/// <summary>What a customer is told before they say yes.</summary>
public class ToTellTests
{
    private static RepairPlan Planned(string example) => Cases.Planner.Plan(GalleryTests.Read(example)).Value!;

    private static IReadOnlyList<string> Told(string example, Warranty warranty) => [.. ToTell.Of(Planned(example), warranty).Select(Voice.Plain.Say)];

    [Fact]
    public void A_mend_for_now_is_called_that_and_its_proper_repair_is_named()
    {
        var told = Told("deck-ding-quick", Warranty.None);
        told.ShouldContain(line => line.StartsWith("It holds for now.", StringComparison.Ordinal) && line.Length > "It holds for now. The proper repair is still to come: ".Length);
        told.ShouldNotContain("It is meant to hold for good.");
    }

    [Fact]
    public void The_warranty_is_spoken_of_where_there_may_be_one()
    {
        Told("fin-box-surround", Warranty.InForce).ShouldContain(line => line.Contains("may end it"));
        Told("fin-box-surround", Warranty.Unknown).ShouldContain(line => line.Contains("Nobody knows"));
        Told("fin-box-surround", Warranty.None).ShouldNotContain(line => line.Contains("warranty"));
    }

    [Fact]
    public void Every_worked_case_that_is_mended_says_how_long_it_holds_how_it_looks_and_nothing_twice()
    {
        foreach (var example in GalleryTests.Ids)
        {
            var told = Told(example, Warranty.None);
            if (Planned(example).Steps.Count == 0)
            {
                told.ShouldBeEmpty(example);
                continue;
            }

            told.Count(line => line.Contains("show")).ShouldBeGreaterThanOrEqualTo(1, example);
            told.ShouldContain(line => line.Contains("hold"), example);
            told.Distinct().Count().ShouldBe(told.Count, example);
        }
    }
}
