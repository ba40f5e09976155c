using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Plans;

/// <summary>
/// Several damages of an item take one cup where one cup does. Common practice, no source: mix once, go round, and mix again only for what
/// the cup's life or its heat does not allow.
/// </summary>
public class CupSharingTests
{
    private static readonly DamageToMend Ding = Dinged("deck", 40, 6);
    private static readonly DamageToMend Bottom = Dinged("nose", 50, 6);
    private static readonly DamageToMend Rail = Dinged("rail", 35, 5);

    private static DamageToMend Dinged(string location, double diameterMm, double depthMm, string material = "epoxy-2to1") =>
        new(Cases.DeckDing().Damages[0].Seen with { Location = location, Shape = new RoundShape(diameterMm), DepthMm = depthMm }, new Choice("fill-glass-coat", material));

    private static RepairCase Board(params IReadOnlyList<DamageToMend> damages) => Cases.DeckDing() with { Damages = damages };

    private static double KitMl(string cement) => Cases.Planner.Catalogue.Materials[cement].Kit is { } kit ? kit.AMl + kit.BMl : 0;

    private static PlanStep Step(RepairPlan plan, string id) => plan.Steps.Single(step => step.Id == id);

    private static DateTimeOffset StartOf(RepairPlan plan, string id) => plan.Timeline.Single(step => step.StepId == id).StartsAt!.Value;

    [Fact]
    public void Three_dings_of_one_chemistry_take_one_cup_at_each_mix()
    {
        var plan = Board(Ding, Bottom, Rail).Planned();
        var mixes = plan.Steps.Where(step => step.Stage == Stage.Mix).ToList();
        mixes.Where(step => step.Pour is not null).Select(step => step.Id).ShouldBe(["fill-mix", "glass-mix", "coat-mix"], ignoreOrder: true);
        mixes.Where(step => step.Pour is null).ShouldAllBe(step => step.Uses == Numbering.Parse(step.Id).Id);
        foreach (var prefix in new[] { "fill", "glass", "coat" })
        {
            var each = new[] { $"{prefix}.need", $"2:{prefix}.need", $"3:{prefix}.need" }.Select(id => plan.Figure(id)).ToList();
            var all = plan.Figure($"{prefix}.need-all");
            // Two millilitres stay in a cup; of three cups that becomes one.
            all.Value.ShouldBe(each.Sum(need => need.Value) - (2 * 2), 0.001);
            all.Derivation.Inputs.ShouldBeSubsetOf([.. each.Select(need => need.Id), "mix.cup-loss"]);
            plan.Figure($"{prefix}.batch").Value.ShouldBeGreaterThan(plan.Figure($"{prefix}.need").Value);
            Voice.Plain.Say(Step(plan, $"{prefix}-mix").Instruction).ShouldContain("for damages 1, 2, 3 at once");
        }
    }

    [Fact]
    public void It_is_mixed_when_all_are_ready_for_it_and_used_up_within_its_life()
    {
        var plan = Board(Ding, Bottom, Rail).Planned();
        foreach (var prefix in new[] { "fill", "glass", "coat" })
        {
            var (mix, mixedAt) = (Step(plan, $"{prefix}-mix"), StartOf(plan, $"{prefix}-mix"));
            foreach (var number in new[] { 1, 2, 3 })
            {
                var lane = plan.Steps.Where(step => step.Damage == number).ToList();
                var use = lane.Single(step => step.Id == Numbering.Of(number, prefix));
                use.Uses.ShouldBe($"{prefix}-mix");
                (StartOf(plan, use.Id).AddMinutes(use.Timing.HandsOnMin) - mixedAt).TotalMinutes.ShouldBeLessThanOrEqualTo(mix.UseWithinMin!.Value);
                var before = plan.Timeline.Single(step => step.StepId == lane[lane.IndexOf(use) - 2].Id);
                mixedAt.ShouldBeGreaterThanOrEqualTo(before.OpensAt ?? before.HandsEndAt!.Value, $"{prefix} at damage {number}");
            }
        }
    }

    [Fact]
    public void One_cup_is_never_later_than_three()
    {
        var shared = Board(Ding, Bottom, Rail).Planned();
        var apart = Board(Ding, Dinged("nose", 50, 6, "epoxy-5to1"), Rail).Planned();
        shared.ReadyAt.ShouldNotBeNull();
        shared.Timeline.Count(step => step.MissesWindow).ShouldBe(0);
        apart.Steps.Where(step => step.Damage == 2).ShouldAllBe(step => step.Uses == null || Numbering.Parse(step.Uses).Number == 2, "another chemistry takes its own cup");
        apart.Steps.Single(step => step.Id == "3:glass-mix").Uses.ShouldBe("glass-mix");
    }

    // A pot life halves with every ten degrees (rule of thumb of the trade, no source): hands do not get round three dings within it.
    [Fact]
    public void What_hands_cannot_put_on_within_the_cups_life_is_mixed_for_itself()
    {
        var hot = Board(Dinged("deck", 100, 6), Dinged("nose", 100, 6), Dinged("nose", 100, 6)) with { Bench = Cases.DeckDing().Bench with { TemperatureC = 33 } };
        var plan = hot.Planned();
        plan.Steps.Where(step => Numbering.Parse(step.Id).Id == "glass-mix").ShouldAllBe(step => step.Pour != null, "no cup of the cloth's resin lives long enough for two");
        plan.Steps.Where(step => Numbering.Parse(step.Id).Id == "coat-mix").Count(step => step.Pour is not null).ShouldBe(2, "the sanding coat of two goes into one cup, and not of three");
        foreach (var use in plan.Steps.Where(step => step.Timing.Uses is not null && Numbering.Parse(step.Uses!).Number != step.Damage))
        {
            (StartOf(plan, use.Id).AddMinutes(use.Timing.HandsOnMin) - StartOf(plan, use.Uses!)).TotalMinutes.ShouldBeLessThanOrEqualTo(use.Timing.Uses!.WithinMin);
        }
    }

    [Fact]
    public void A_need_set_by_hand_at_one_damage_reaches_the_cup_of_all()
    {
        var planned = Board(Ding, Bottom).Planned();
        var set = Board(Ding, Bottom with { Overrides = [new Override("glass.need", 20, "a thirsty ground")] }).Planned();
        set.Figure("2:glass.need").Value.ShouldBe(20);
        (set.Figure("glass.need-all").Value - planned.Figure("glass.need-all").Value).ShouldBe(20 - planned.Figure("2:glass.need").Value, 0.001);
        set.Figure("glass.need").Value.ShouldBe(planned.Figure("glass.need").Value);
        var effects = Cases.Planner.Effects(Board(Ding, Bottom), "glass.need-all").Value!;
        effects.Select(effect => effect.Input).ShouldContain("2:glass.need");
    }

    [Fact]
    public void Two_slices_take_one_squeeze_of_the_tube()
    {
        var slice = new DamageToMend(new Damage(DamageKind.Slice, "deck", new OvalShape(60, 4), 5, false, Cause.Knock), new Choice("uv-slice-fill", "uv-epoxy-safe"));
        var board = Cases.Usual(Cases.Planner.Catalogue.Constructions["soft-board-pe"], Cases.Planner.Catalogue.Constructions["soft-board-pe"].Damages[0]);
        var plan = (board with { Damages = [slice, slice with { Seen = slice.Seen with { DepthMm = 4 } }] }).Planned();
        plan.Steps.Count(step => step.Stage == Stage.Mix && step.Pour is not null).ShouldBe(1);
        plan.Figure("pour.need-all").Value.ShouldBe(plan.Figure("fill.need").Value + plan.Figure("2:fill.need").Value - 2, 0.001);
    }

    // Common practice, no source: a deep fill goes in thin passes, each with a fresh mix.
    [Fact]
    public void Two_deep_fills_share_the_cup_of_each_pass()
    {
        DamageToMend Deep(string location) => Dinged(location, 40, 20) with { Choice = new Choice("fill-glass-coat", "epoxy-2to1", Schools: new Dictionary<string, string> { ["fill-thickness"] = "thin-passes" }) };
        var plan = Board(Deep("deck"), Deep("nose")).Planned();
        var passes = plan.Steps.Where(step => step.Stage == Stage.Mix && step.Id.StartsWith("fill", StringComparison.Ordinal)).ToList();
        passes.Select(step => step.Id).ShouldBe(["fill-mix", "fill-2-mix"]);
        foreach (var prefix in new[] { "fill", "fill-2" })
        {
            plan.Steps.Single(step => step.Id == $"2:{prefix}-mix").Uses.ShouldBe($"{prefix}-mix");
            plan.Figure($"{prefix}.need-all").Value.ShouldBe(plan.Figure("fill.each").Value + plan.Figure("2:fill.each").Value - 2, 0.1);
        }
    }

    // Common practice, no source: one vial is opened for all the patches of a boat that are cemented together; what is left of it is lost.
    [Theory]
    [InlineData("drop-stitch-board", "cement-polyurethane-two-part", 3)]
    [InlineData("csm-boat", "cement-csm-two-part", 2)]
    public void Punctures_of_one_skin_are_cemented_from_one_tin(string construction, string cement, int damages)
    {
        var item = Cases.Planner.Catalogue.Constructions[construction];
        var boat = Cases.Usual(item, item.Damages.First(usual => usual.Kind == DamageKind.Puncture));
        var puncture = boat.Damages[0] with { Choice = new Choice("cement-patch", cement) };
        var alone = (boat with { Damages = [puncture] }).Planned();
        var plan = (boat with { Damages = [.. Enumerable.Repeat(puncture, damages)] }).Planned();
        plan.Steps.Count(step => step.Stage == Stage.Mix && step.Pour is not null).ShouldBe(1, "one vial is opened and not one for each");
        plan.Figure("mix.need-all").Value.ShouldBe(damages * alone.Figure("mix.need").Value, 0.1);
        // Half a kit or as many halves as they need together, and never a half for each.
        plan.Figure("mix.kits").Value.ShouldBe(Math.Max(0.5, Math.Ceiling(plan.Figure("mix.need-all").Value / KitMl(cement) * 2) / 2));
        Voice.Plain.Say(Step(plan, "mix").Instruction).ShouldContain("at once");
        var life = Step(plan, "mix").UseWithinMin!.Value;
        var coats = plan.Steps.Where(step => step.Uses == "mix" && step.Stage == Stage.Apply).ToList();
        coats.Select(step => step.Damage).Distinct().Count().ShouldBe(damages);
        coats.ShouldAllBe(step => (StartOf(plan, step.Id).AddMinutes(step.Timing.HandsOnMin) - StartOf(plan, "mix")).TotalMinutes <= life);
    }

    [Fact]
    public void Two_scratches_in_gel_coat_take_one_cup_at_each_coat_and_whole_drops_once()
    {
        var item = Cases.Planner.Catalogue.Constructions["gel-coat-hull"];
        var hull = Cases.Usual(item, item.Damages.First(usual => usual.Kind == DamageKind.Scratch));
        var scratch = hull.Damages[0] with { Choice = new Choice("gel-coat-fill", Cases.Planner.Catalogue.Materials.Values.First(material => material.Suits?.Contains("gel-coat") == true).Id) };
        var alone = (hull with { Damages = [scratch] }).Planned();
        var plan = (hull with { Damages = [scratch, scratch] }).Planned();
        plan.Steps.Where(step => step.Stage == Stage.Mix && step.Pour is not null).Select(step => step.Id).ShouldBe(["first-mix", "second-mix"]);
        plan.Figure("first.need-all").Value.ShouldBe((2 * alone.Figure("first.need").Value) - 2, 0.1, "what stays in the cup stays there once");
        plan.Figure("first.resin-g").Value.ShouldBeLessThanOrEqualTo(2 * alone.Figure("first.resin-g").Value);
        plan.Steps.Where(step => step.Damage == 2).ShouldContain(step => step.Id == "2:second" && step.Uses == "second-mix");
    }

    [Fact]
    public void Work_that_is_done_again_when_the_shared_cup_is_gone_runs_on_the_clock_of_its_own()
    {
        var asked = Board(Ding, Bottom);
        var plan = asked.Planned();
        var at = plan.StartAt;
        var events = new List<RunEvent>();
        void Happened(RunEventKind kind, string step, double minutes) => events.Add(new RunEvent(events.Count + 1, at = at.AddMinutes(minutes), kind, step));
        foreach (var step in plan.Steps.TakeWhile(step => step.Id != "2:fill"))
        {
            Happened(RunEventKind.Begin, step.Id, 0);
            Happened(RunEventKind.HandsDone, step.Id, 1);
            if (step.Timing.Wait is not null && Numbering.Parse(step.Id).Id != "fill")
            {
                Happened(RunEventKind.Ready, step.Id, 6);
            }
        }

        var mixedAt = events.First(each => each.StepId == "fill-mix").At;
        var within = Step(plan, "fill-mix").UseWithinMin!.Value;
        DateTimeOffset? UseBy() => Run.Fold(asked, plan, plan.StartAt, events, at).Fronts.Single(front => front.Damage == 2).UseBy;
        UseBy().ShouldBe(mixedAt.AddMinutes(within));
        Happened(RunEventKind.Redo, "2:fill-mix", within + 30);
        Happened(RunEventKind.Begin, "2:fill-mix", 0);
        var anew = at;
        Happened(RunEventKind.HandsDone, "2:fill-mix", 3);
        UseBy().ShouldBe(anew.AddMinutes(within));
    }
}
