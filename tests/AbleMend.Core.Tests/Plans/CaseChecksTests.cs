using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;

namespace AbleMend.Core.Tests.Plans;

/// <summary>At each limit: valid on it, refused one step beyond it, with the field named.</summary>
public class CaseChecksTests
{
    [Theory]
    [InlineData(-3, "out-of-range")]
    [InlineData(0, "out-of-range")]
    [InlineData(double.NaN, "out-of-range")]
    [InlineData(double.PositiveInfinity, "out-of-range")]
    [InlineData(59.4, "deeper-than-item")]
    [InlineData(1e300, "out-of-range")]
    public void A_depth_that_cannot_be_is_refused(double depth, string code) =>
        Single(Cases.DeckDing(depth)).ShouldBe((code, "damages[0].seen.depthMm"));

    [Theory]
    [InlineData(0.01)]
    [InlineData(59.2)]
    [InlineData(59.3)]
    public void A_depth_at_its_limits_is_taken(double depth) => Cases.Planner.Plan(Cases.DeckDing(depth)).Problems.ShouldBeEmpty();

    [Fact]
    public void How_deep_the_item_is_depends_on_the_place() =>
        Cases.DeckDing(50).Damaged(damage => damage with { Location = "rail" }).Refused().Single().Message.ToString().ShouldContain("33.2 mm thick at the rail");

    public static TheoryData<string, Func<RepairCase, RepairCase>> Beyond => new()
    {
        { "format", each => each with { Format = "able-mend/case/99" } },
        { "item.tag", each => each with { Item = each.Item with { Tag = " " } } },
        { "item.tag", each => each with { Item = each.Item with { Tag = new string('x', 41) } } },
        { "item.construction", each => each with { Item = each.Item with { Construction = "cheese" } } },
        { "item.ageMonths", each => each with { Item = each.Item with { AgeMonths = 601 } } },
        { "item.earlierMend", each => each with { Item = each.Item with { EarlierMend = "chewing gum" } } },
        { "damages[0].seen.location", each => each.Damaged(damage => damage with { Location = "keel" }) },
        { "damages[0].seen.shape.diameterMm", each => each.Damaged(damage => damage with { Shape = new RoundShape(600.1) }) },
        { "damages[0].seen.shape.diameterMm", each => each.Damaged(damage => damage with { Shape = new RoundShape(double.NaN) }) },
        { "damages[0].seen.shape.lengthMm", each => each.Damaged(damage => damage with { Shape = new OvalShape(0.9, 5) }) },
        { "damages[0].seen.shape.widthMm", each => each.Damaged(damage => damage with { Kind = DamageKind.Crack, Shape = new CrackShape(20, 0.05) }) },
        { "damages[0].seen.shape.points", each => each.Damaged(damage => damage with { Shape = new TracedShape([new(0, 0), new(9, 9)]) }) },
        { "damages[0].seen.shape.points", each => each.Damaged(damage => damage with { Shape = new TracedShape([new(0, 0), new(9, 0), new(700, 9)]) }) },
        { "damages[0].seen.shape", each => each.Damaged(damage => damage with { Kind = DamageKind.Crack }) },
        { "damages[0].seen.fin", each => each.Damaged(damage => damage with { Kind = DamageKind.FinBoxSurround, Location = "fin-box" }) },
        { "damages[0].seen.fin.cantDeg", each => each.Damaged(damage => damage with { Fin = new FinCheck(31, 0, false) }) },
        { "damages[0].seen.neighbours[0].offsetMm.x", each => each.Damaged(damage => damage with { Neighbours = [new Neighbour(new RoundShape(5), new PointMm(601, 0))] }) },
        { "damages[0].seen.neighbours[0].shape.diameterMm", each => each.Damaged(damage => damage with { Neighbours = [new Neighbour(new RoundShape(-5), new PointMm(60, 0))] }) },
        { "bench.temperatureC", each => each.AtBench(bench => bench with { TemperatureC = 45.1 }) },
        { "bench.relativeHumidityPercent", each => each.AtBench(bench => bench with { RelativeHumidityPercent = 0.9 }) },
        { "bench.nightTemperatureC", each => each.AtBench(bench => bench with { NightTemperatureC = -11 }) },
        { "bench.zone", each => each.AtBench(bench => bench with { Zone = "Moon/Tranquility" }) },
        { "bench.closesHour", each => each.AtBench(bench => bench with { OpensHour = 9, ClosesHour = 9 }) },
        { "bench.latitudeDeg", each => each.AtBench(bench => bench with { LatitudeDeg = 91, LongitudeDeg = 0 }) },
        { "bench.longitudeDeg", each => each.AtBench(bench => bench with { LatitudeDeg = 50, LongitudeDeg = double.NaN }) },
        { "bench.longitudeDeg", each => each.AtBench(bench => bench with { LatitudeDeg = 50 }) },
        { "bench.lampMwPerCm2", each => each.AtBench(bench => bench with { LampMwPerCm2 = 0 }) },
        { "bench.roomM3", each => each.AtBench(bench => bench with { RoomM3 = 0.9 }) },
        { "bench.airChangesPerHour", each => each.AtBench(bench => bench with { AirChangesPerHour = 0 }) },
        { "offcuts[0].lengthMm", each => each with { Offcuts = [new Offcut("A", "glass-136", 9, 100)] } },
        { "offcuts[1].widthMm", each => each with { Offcuts = [new Offcut("A", "glass-136", 90, 100), new Offcut("B", "pvc-patch", 90, 5001)] } },
        { "offcuts[0].material", each => each with { Offcuts = [new Offcut("A", "epoxy-2to1", 90, 100)] } },
        { "offcuts[0].id", each => each with { Offcuts = [new Offcut("", "glass-136", 90, 100)] } },
        { "offcuts", each => each with { Offcuts = [new Offcut("A", "glass-136", 90, 100), new Offcut("A", "glass-136", 90, 100)] } },
        { "wanted.finishGrit", each => each.Wanting(wanted => wanted with { FinishGrit = "smooth" }) },
        { "wanted.skill", each => each.Wanting(wanted => wanted with { Skill = 4 }) },
        { "wanted.weights.fast", each => each.Wanting(wanted => wanted with { Weights = new Weights(6) }) },
        { "wanted.neededBy", each => each.Wanting(wanted => wanted with { NeededBy = DateTimeOffset.MaxValue }) },
        { "tools.grits", each => each with { Tools = each.Tools with { Grits = [] } } },
        { "tools.grits[1]", each => each with { Tools = each.Tools with { Grits = ["P60", "P61"] } } },
        { "tools.measure.lineEveryMl", each => each with { Tools = each.Tools with { Measure = new CupDevice(0, 0.5, 60) } } },
        { "tools.measure.stepG", each => each with { Tools = each.Tools with { Measure = new ScaleDevice(11) } } },
        { "damages[0].choice.method", each => each.Choosing("hope", null) },
        { "damages[0].choice.material", each => each.Choosing(null, "acetone") },
        { "damages[0].choice.cloth", each => each.Chosen(new Choice(Cloth: "epoxy-2to1")) },
        { "damages[0].choice.schools", each => each.OfSchool("which-glue", "mine") },
        { "damages[0].choice.schools.dry-finish", each => each.OfSchool("dry-finish", "320") },
        { "damages[0].choice.patch", each => each.Chosen(new Choice(Patch: "epoxy-2to1")) },
        { "damages[0].seen.gapMm", each => each.Damaged(damage => damage with { GapMm = -1 }) },
        { "damages[0].seen.missingMm", each => each.Damaged(damage => damage with { MissingMm = double.NaN }) },
        { "damages[0].seen.plies", each => each.Damaged(damage => damage with { Plies = 0 }) },
        { "damages[0].seen.finds[0].test", each => each.Damaged(damage => damage with { Finds = [new Find("divining-rod", "tail")] }) },
        { "damages[0].seen.finds[0].place", each => each.Damaged(damage => damage with { Finds = [new Find("tap-test", "")] }) },
        { "wanted.hottestInUseC", each => each.Wanting(wanted => wanted with { HottestInUseC = 120 }) },
        { "wanted.usedAtM", each => each.Wanting(wanted => wanted with { UsedAtM = 5001 }) },
        { "bench.altitudeM", each => each with { Bench = each.Bench with { AltitudeM = double.NaN } } },
        { "shelf[0].material", each => each with { Shelf = [new OnShelf("unobtainium")] } },
        { "damages[0].overrides[0].value", each => each.ByHand([new Override("coat.batch", -1, "because")]) },
        { "damages[0].overrides[0].reason", each => each.ByHand([new Override("coat.batch", 20, "")]) },
        { "damages[0].overrides[0].figure", each => each.ByHand([new Override("no.such-figure", 20, "because")]) },
    };

    [Theory]
    [MemberData(nameof(Beyond))]
    public void One_step_beyond_names_the_field_and_the_remedy(string field, Func<RepairCase, RepairCase> change)
    {
        var problems = change(Cases.DeckDing()).Refused();
        problems.Select(problem => problem.Field).ShouldContain(field);
        problems.ShouldAllBe(problem => problem.Message.ToString().Length > 5 && problem.Remedy.ToString().Length > 5);
    }

    public static TheoryData<Func<RepairCase, RepairCase>> On => new()
    {
        each => each with { Item = each.Item with { Tag = new string('x', 40), AgeMonths = 600 } },
        each => each.Damaged(damage => damage with { Shape = new RoundShape(1) }),
        each => each.Damaged(damage => damage with { Kind = DamageKind.Crack, Shape = new CrackShape(600, 0.1) }),
        each => each.AtBench(bench => bench with { RelativeHumidityPercent = 100 }),
        each => each.AtBench(bench => bench with { OpensHour = 0, ClosesHour = 24 }),
        each => each.Wanting(wanted => wanted with { Weights = new Weights(0, 0, 0, 0) }),
        each => each with { Tools = new Tools(new ScaleDevice(10), ["P60"]) },
        each => each with { Tools = new Tools(new CupDevice(0.1, 0.1, 5), ["220 CAMI"]) },
    };

    [Theory]
    [MemberData(nameof(On))]
    public void On_the_limit_is_taken(Func<RepairCase, RepairCase> change) => Cases.Planner.Plan(change(Cases.DeckDing())).Problems.ShouldBeEmpty();

    [Fact]
    public void Everything_wrong_is_told_at_once() =>
        Cases.DeckDing(-1).AtBench(bench => bench with { TemperatureC = 99 }).Wanting(wanted => wanted with { Skill = 0 }).Refused().Count.ShouldBe(3);

    private static (string Code, string Field) Single(RepairCase repairCase)
    {
        var problem = repairCase.Refused().Single();
        return (problem.Code, problem.Field);
    }
}
