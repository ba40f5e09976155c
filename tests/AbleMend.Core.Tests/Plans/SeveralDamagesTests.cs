using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;
using CsCheck;

namespace AbleMend.Core.Tests.Plans;

/// <summary>One item with several damages: each is mended in its own way, and one pair of hands does them all.</summary>
public class SeveralDamagesTests
{
    private static readonly DamageToMend Ding = Cases.DeckDing().Choosing("fill-glass-coat", "epoxy-2to1").Damages[0];
    private static readonly DamageToMend Bottom = new(Ding.Seen with { Location = "bottom", Shape = new RoundShape(50), DepthMm = 6 }, Ding.Choice);
    private static readonly DamageToMend Crack = new(new Damage(DamageKind.Crack, "rail", new CrackShape(60, 1), 0.5, false, Cause.Knock));

    private static RepairCase Board(params IReadOnlyList<DamageToMend> damages) => Cases.DeckDing() with { Damages = damages };

    private static readonly Construction[] Mendable = [.. Cases.Planner.Catalogue.ConstructionList.Where(each => each.Refuse is null)];

    private static readonly Gen<(RepairCase All, IReadOnlyList<RepairCase> Each)> Several =
        Gen.Select(Gen.Int[0, Mendable.Length - 1], Gen.Int[0, 99].Array[2, 4], (which, usual) =>
        {
            var construction = Mendable[which];
            IReadOnlyList<RepairCase> each = [.. usual.Select(one => Cases.Usual(construction, construction.Damages[one % construction.Damages.Count]))];
            return (each[0] with { Damages = [.. each.Select(one => one.Damages[0])] }, each);
        });

    [Fact]
    public void A_second_damage_changes_no_figure_and_renames_no_step_of_the_first()
    {
        var alone = Board(Ding).Planned();
        // Nothing is shared between two chemistries.
        var both = Board(Ding, Bottom with { Choice = new Choice("fill-glass-coat", "epoxy-5to1") }).Planned();
        both.Figures.Where(figure => Numbering.Parse(figure.Id).Number == 1).ShouldBe(alone.Figures, new SameFigure());
        both.Steps.Where(step => step.Damage == 1).Select(step => step.Id).ShouldBe(alone.Steps.Select(step => step.Id));
        both.Steps.Where(step => step.Damage == 2).ShouldAllBe(step => step.Id.StartsWith("2:"));
    }

    [Fact]
    public void Every_damage_of_any_item_keeps_the_plan_that_it_has_alone() =>
        Several.Sample(drawn =>
        {
            var alones = drawn.Each.Select(each => Cases.Planner.Plan(each).Value).ToList();
            var planned = Cases.Planner.Plan(drawn.All).Value;
            (planned is null).ShouldBe(alones.All(alone => alone?.Verdict.MendedHere != false) && alones.Contains(null), "only what cannot be planned alone cannot be planned together");
            foreach (var (alone, i) in alones.Select((alone, i) => (alone, i)).Where(_ => planned is not null))
            {
                var plan = planned!;
                if (alone is null)
                {
                    continue;
                }

                plan.Damages[i].Candidates.Select(each => (each.Method, each.Material)).ShouldBe(alone.Candidates.Select(each => (each.Method, each.Material)));
                ((int)plan.Verdict.Decision).ShouldBeGreaterThanOrEqualTo((int)alone.Verdict.Decision);
                if (plan.Verdict.MendedHere)
                {
                    // What is done once for all counts for each; it may stand elsewhere among the steps.
                    plan.Steps.Where(step => step.Timing.IsFor(i + 1)).Select(step => Numbering.Parse(step.Id).Id).Distinct().ShouldBe(alone.Steps.Select(step => step.Id), ignoreOrder: true);
                }
            }
        }, iter: 60, threads: 1);

    [Fact]
    public void Hands_are_in_one_place_and_every_identifier_is_one_things_alone() =>
        Several.Sample(drawn =>
        {
            if (Cases.Planner.Plan(drawn.All).Value is not { } plan)
            {
                return;
            }

            plan.Steps.Select(step => step.Id).ShouldBeUnique();
            plan.Figures.Select(figure => figure.Id).ShouldBeUnique();
            var known = plan.Figures.Select(figure => figure.Id).ToHashSet();
            plan.Figures.SelectMany(figure => figure.Derivation.Inputs).ShouldBeSubsetOf(known);
            plan.Steps.SelectMany(step => step.Figures).ShouldBeSubsetOf(known);
            plan.Steps.SelectMany(step => step.Instruction.Arguments).OfType<MeasureArgument>().Select(measure => measure.Figure).OfType<string>().ShouldBeSubsetOf(known);
            plan.Timeline.Select(step => step.StepId).ShouldBe(plan.Steps.Select(step => step.Id));
            foreach (var (earlier, later) in plan.Timeline.Zip(plan.Timeline.Skip(1)).Where(pair => pair.Second.StartsAt is not null))
            {
                later.StartsAt!.Value.ShouldBeGreaterThanOrEqualTo(earlier.HandsEndAt!.Value, $"{earlier.StepId}, {later.StepId}");
            }

            foreach (var (step, i) in plan.Steps.Select((step, i) => (step, i)).Where(each => each.step.Timing.FollowsOn))
            {
                plan.Steps[i - 1].Damage.ShouldBe(step.Damage, "what must follow straight on does");
            }
        }, iter: 60, threads: 1);

    public static TheoryData<string> Worked => Gallery.GalleryTests.Checked;

    // All of a kind: whatever can be shared is, and every list in a sentence is as long as it gets.
    [Theory]
    [MemberData(nameof(Worked))]
    public void As_many_as_a_case_may_have_are_planned_kept_and_read_again(string example)
    {
        var worked = Gallery.GalleryTests.Read(example);
        var most = worked with { Damages = [.. Enumerable.Range(0, 12).Select(i => worked.Damages[i % worked.Damages.Count])] };
        var plan = most.Planned();
        plan.Damages.Count.ShouldBe(12);
        foreach (var (law, look) in PlanLaws.All.Where(_ => plan.Verdict.MendedHere))
        {
            look(most, plan).ShouldBeEmpty(law);
        }

        Cases.Planner.Plan(worked with { Damages = [.. most.Damages, most.Damages[0]] }).Problems.ShouldContain(problem => problem.Field == "damages");
    }

    [Fact]
    public void While_one_cures_hands_are_on_the_next()
    {
        var one = Board(Ding).Planned();
        var three = Board(Ding, Bottom, Bottom with { Seen = Bottom.Seen with { Location = "rail" } }).Planned();
        var alone = one.ReadyAt!.Value - one.StartAt;
        var together = three.ReadyAt!.Value - three.StartAt;
        together.ShouldBeGreaterThanOrEqualTo(alone);
        together.ShouldBeLessThan(alone * 2, "three dings cure beside each other");
        three.Timeline.ShouldAllBe(step => !step.MissesWindow);
    }

    [Fact]
    public void What_is_set_by_hand_for_one_damage_leaves_the_other_alone()
    {
        var planned = Board(Ding, Bottom).Planned();
        var set = Board(Ding, Bottom with { Overrides = [new Override("patch.margin", 31, "old cracks")] }).Planned();
        set.Figure("2:patch.margin").Value.ShouldBe(31);
        set.Figure("patch.margin").Value.ShouldBe(planned.Figure("patch.margin").Value);
        set.Damages[1].Patches[0].MarginMm.ShouldBe(31);
        set.Damages[0].Patches[0].MarginMm.ShouldBe(planned.Damages[0].Patches[0].MarginMm);
        Cases.Planner.Plan(Board(Ding, Bottom with { Overrides = [new Override("no.such", 31, "old cracks")] })).Problems.Single().Field.ShouldBe("damages[1].overrides[0].figure");
    }

    [Fact]
    public void An_effect_is_asked_of_the_damage_that_the_figure_belongs_to()
    {
        var effects = Cases.Planner.Effects(Board(Ding, Bottom), "2:glass.need").Value!;
        effects.ShouldNotBeEmpty();
        effects.ShouldAllBe(effect => effect.Input.StartsWith("2:"));
        Cases.Planner.Effects(Board(Ding), "2:patch.margin").Problems.Single().Code.ShouldBe("unknown-figure");
    }

    [Fact]
    public void The_gravest_damage_decides_for_the_item()
    {
        var across = new DamageToMend(new Damage(DamageKind.Crack, "bottom", new CrackShape(480, 6), 20, false, Cause.Pressure, AcrossWholeWidth: true));
        var plan = Board(Ding, across).Planned();
        plan.Verdict.Decision.ShouldBe(Decision.Retire);
        plan.Damages.Select(damage => damage.Verdict.Decision).ShouldBe([Decision.Mend, Decision.Retire]);
        plan.Steps.ShouldBeEmpty();
        plan.Damages.ShouldAllBe(damage => damage.System == null && damage.Drawing.Layers.Count > 0);
    }

    [Fact]
    public void What_holds_a_life_is_refused_whichever_damage_names_it()
    {
        var harness = Cases.Usual("climbing-harness", DamageKind.Tear);
        var plan = (harness with { Damages = [harness.Damages[0], harness.Damages[0] with { Seen = harness.Damage with { Kind = DamageKind.SeamOpen, DepthMm = 400 } }] }).Planned();
        plan.Verdict.Decision.ShouldBe(Decision.Refuse);
        Cases.Planner.Plan(harness with { Damages = [] }).Problems.Single().Field.ShouldBe("damages");
    }

    [Fact]
    public void Many_cracks_and_much_area_count_over_all_damages()
    {
        const int Many = 7;
        var hull = Cases.Usual("aluminium-canoe", DamageKind.Crack);
        (hull with { Damages = [.. Enumerable.Repeat(hull.Damages[0], Many - 1)] }).Planned().Verdict.Decision.ShouldNotBe(Decision.Retire);
        (hull with { Damages = [.. Enumerable.Repeat(hull.Damages[0], Many)] }).Planned().Verdict.Reasons[0].Code.ShouldBe("brittle-all-over");

        // It is the metal that is brittle: as many scratches in a gel coat are only work.
        var scratched = Cases.Usual("gel-coat-hull", DamageKind.Scratch);
        (scratched with { Damages = [.. Enumerable.Repeat(scratched.Damages[0], Many)] }).Planned().Verdict.Decision.ShouldBe(Decision.Mend);

        // Two of 350 cm² are 700 cm², more than the 600 cm² that are mended on this bench.
        var large = new DamageToMend(Ding.Seen with { Shape = new RoundShape(20 * Math.Sqrt(350 / Math.PI)) });
        Board(large).Planned().Verdict.MendedHere.ShouldBeTrue();
        Board(large, large with { Seen = large.Seen with { Location = "bottom" } }).Planned().Verdict.Reasons[0].Code.ShouldBe("too-large");
    }

    [Fact]
    public void The_mate_of_a_pair_has_its_own_damage_and_a_single_thing_has_no_mate()
    {
        var ski = Cases.Usual("ski", DamageKind.CoreShot);
        (ski with { Damages = [ski.Damages[0], ski.Damages[0] with { Seen = ski.Damage with { OnMate = true } }] }).Planned().Damages.Count.ShouldBe(2);
        Cases.Planner.Plan(Board(Ding, Ding with { Seen = Ding.Seen with { OnMate = true } })).Problems.Single().ShouldSatisfyAllConditions(
            problem => problem.Code.ShouldBe("no-pair"), problem => problem.Field.ShouldBe("damages[1].seen.onMate"));
    }

    public static TheoryData<string, RepairCase> Faulty => new()
    {
        { "damages", Board() },
        { "damages", Board([.. Enumerable.Repeat(Ding, 13)]) },
        { "damages[1]", Board(Ding, null!) },
        { "damages[1].seen.depthMm", Board(Ding, Ding with { Seen = Ding.Seen with { DepthMm = double.NaN } }) },
        { "damages[1].seen.location", Board(Ding, Ding with { Seen = Ding.Seen with { Location = "hatch" } }) },
        { "damages[1].choice.method", Board(Ding, Ding with { Choice = new Choice("glue-and-hope") }) },
        { "damages[1].choice.material", Board(Ding, Crack with { Choice = new Choice(Material: "cement-neoprene") }) },
    };

    [Theory]
    [MemberData(nameof(Faulty), DisableDiscoveryEnumeration = true)]
    public void What_is_wrong_is_told_with_the_damage_that_it_is_wrong_in(string field, RepairCase repairCase) =>
        Cases.Planner.Plan(repairCase).Problems.Select(problem => problem.Field).ShouldContain(field);

    [Fact]
    public void Patches_of_all_damages_are_fitted_on_the_same_pieces()
    {
        // One square takes the patch of either ding, and not of both.
        var each = Board(Ding).Planned().Patches.Max(patch => patch.LengthMm);
        var cloth = Board(Ding).Planned().Patches[0].Cloth;
        var piece = new Offcut("square", cloth, each + 12, each + 12);
        var same = Ding with { Seen = Ding.Seen with { Location = "bottom" } };
        (Board(Ding) with { Offcuts = [piece] }).Planned().Placements!.Count.ShouldBe(Board(Ding).Planned().Patches.Count == 1 ? 1 : 0);
        (Board(Ding, same) with { Offcuts = [piece] }).Planned().Placements!.ShouldBeEmpty();
        (Board(Ding, same) with { Offcuts = [new Offcut("roll", cloth, 4000, 900)] }).Planned().Placements!.Select(placement => placement.Damage).Distinct().Order().ShouldBe([1, 2]);
        // The pieces are believed: what they do not take is said, with what to do; where none is counted nothing is.
        var told = (Board(Ding, same) with { Offcuts = [piece] }).Planned().Warnings.Single(warning => warning.Code == "no-piece");
        Voice.Plain.Say(told.Text).ShouldContain("cut it from a roll");
        (Board(Ding, same) with { Offcuts = [new Offcut("roll", cloth, 4000, 900)] }).Planned().Warnings.ShouldNotContain(warning => warning.Code == "no-piece");
        Board(Ding, same).Planned().Warnings.ShouldNotContain(warning => warning.Code == "no-piece");
    }

    private sealed class SameFigure : IEqualityComparer<Figure>
    {
        public bool Equals(Figure? one, Figure? other) => one?.Id == other?.Id && one?.Value == other?.Value && one?.Unit == other?.Unit;

        public int GetHashCode(Figure figure) => figure.Id.GetHashCode(StringComparison.Ordinal);
    }

    // Common practice: every cut-out on the ski first, then one heat-up of the gun does them all.
    [Fact]
    public void What_is_done_to_one_is_done_to_all_before_hands_go_on()
    {
        var ski = Cases.Usual("ski", DamageKind.CoreShot);
        var scratch = new DamageToMend(Cases.Usual("ski", DamageKind.Scratch).Damage);
        var plan = (ski with { Damages = [ski.Damages[0], scratch, scratch, scratch] }).Planned();
        var order = plan.Steps.Select(step => step.Id).ToList();
        string[] Of(string action) => [.. new[] { "", "2:", "3:", "4:" }.Select(number => $"{number}{action}")];
        foreach (var (before, after) in new[] { ("cut", "scuff"), ("scuff", "blow") })
        {
            Of(before).Max(order.IndexOf).ShouldBeLessThan(Of(after).Min(order.IndexOf), $"every {before} comes before the first {after}");
        }

        Of("blow").Max(order.IndexOf).ShouldBeLessThan(order.IndexOf("anchor"), "the gun is heated once");
    }
}
