using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Running;

namespace AbleMend.Core.Tests.Running;

/// <summary>Touch teaches how much light a tube takes, where the light was measured.</summary>
public class LightTouchTests
{
    private const string Resin = "uv-polyester";

    private static readonly DateTimeOffset Start = Cases.Morning;

    /// <summary>One layer under film, in the sun.</summary>
    private static readonly RepairCase UnderFilm = Cases.DeckDing(2).Choosing("uv-under-film", Resin);

    private static readonly RepairCase UnderLamp = UnderFilm.AtBench(bench => bench with { Light = LightLevel.UvLamp, LampMwPerCm2 = 9.2 });

    private static readonly Happening Cloudy = new(RunEventKind.Light, Value: Sky.LabelMwPerCm2 / 2);

    /// <summary>A meter that lies at the item and says what it reads by itself.</summary>
    private static Happening[] Metered(double mwPerCm2) => [new(RunEventKind.Probe, Text: "uv", Passed: true), new(RunEventKind.Light, Value: mwPerCm2, Resolution: 0.1)];

    private static Mend Kept(Mend mend, Happening happening, DateTimeOffset at)
    {
        var outcome = mend.Keep(happening, at);
        outcome.Problems.ShouldBeEmpty();
        return outcome.Value!;
    }

    /// <summary>A mend whose resin was just carried into the light, after what was read or told of that before.</summary>
    private static (Mend Mend, LiveWindow Window, DateTimeOffset At) InTheLight(RepairCase repairCase, params Happening[] before)
    {
        var (mend, at) = (Mend.Open(repairCase, Cases.Planner, Start).Value!.Start(Cases.Planner, Start).Value!, Start);
        while (true)
        {
            var state = mend.StateAt(at);
            if (state.Window is { Light: not null } window)
            {
                return (mend, window, at);
            }

            at = state.Window is { OpensAt: { } opens } && opens > at ? opens : at.AddMinutes(4);
            mend = mend.Plan!.Step(state.CurrentStepId!).Id == "spread" && state.Phase != StepPhase.Waiting ? before.Aggregate(mend, (told, each) => Kept(told, each, at)) : mend;
            mend = Kept(mend, new Happening(state.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, state.CurrentStepId), at);
        }
    }

    private static IReadOnlyList<PaceLook> Looked(Mend mend) => [.. mend.Touched().Where(each => each.Material == Resin).Select(each => each.Look)];

    [Fact]
    public void Under_a_meter_a_finger_says_between_which_doses_it_set()
    {
        var (mend, window, _) = InTheLight(UnderFilm, Metered(Sky.LabelMwPerCm2 / 2));
        var look = window.OpensAt!.Value;
        (look - window.FromAt).TotalMinutes.ShouldBe(2 * mend.Plan!.Step("spread").Timing.Wait!.OpensMin.CureMin, 0.01, "half the light, twice the time");
        mend = Kept(Kept(mend, new Happening(RunEventKind.NotYet, "spread"), look), new Happening(RunEventKind.Ready, "spread"), look.AddMinutes(4));
        Looked(mend).ShouldHaveSingleItem().ShouldSatisfyAllConditions(
            each => each.NotYetMin!.Value.ShouldBe(each.LabelMin, 0.01), each => each.ReadyMin!.Value.ShouldBe(each.LabelMin + 2, 0.01), each => each.Looks.ShouldBe(2));
    }

    public static TheoryData<string, bool> Lights => new()
    {
        { "nothing was read", false },
        { "told in a word", false },
        { "read by hand", true },
        { "read by hand, long ago", false },
        { "read by hand, then a cloud told in a word", false },
        { "read by hand, then carried in and out under the meter", true },
        { "read by a meter that lies there, long ago", true },
    };

    [Theory]
    [MemberData(nameof(Lights))]
    public void A_light_that_nobody_measured_teaches_nothing_of_the_resin(string light, bool teaches)
    {
        Happening[] before = light switch
        {
            "nothing was read" => [],
            "told in a word" => [new(RunEventKind.Light, Text: "hazy-sun")],
            "read by a meter that lies there, long ago" => Metered(Sky.LabelMwPerCm2),
            _ => [Cloudy],
        };
        var (mend, _, at) = InTheLight(UnderFilm, before);
        mend = light switch
        {
            "read by hand, then a cloud told in a word" => Kept(mend, new Happening(RunEventKind.Light, Text: "open-shade"), at.AddMinutes(1)),
            "read by hand, then carried in and out under the meter" => Kept(Kept(mend, new Happening(RunEventKind.Light, Text: "indoors"), at.AddMinutes(1)), Cloudy, at.AddMinutes(40)),
            _ => mend,
        };
        var look = at.AddMinutes(light.EndsWith("long ago", StringComparison.Ordinal) ? 25 : light.Contains("carried", StringComparison.Ordinal) ? 50 : 8);
        Looked(Kept(mend, new Happening(RunEventKind.Ready, "spread"), look)).Count.ShouldBe(teaches ? 1 : 0, light);
    }

    [Fact]
    public void A_lamp_that_was_measured_needs_no_meter()
    {
        var (mend, _, at) = InTheLight(UnderLamp);
        Looked(Kept(mend, new Happening(RunEventKind.Ready, "spread"), at.AddMinutes(30))).ShouldHaveSingleItem().ReadyMin!.Value.ShouldBe(30, 0.01, "its minutes are those of this lamp");
        var (unknown, _, then) = InTheLight(UnderFilm.AtBench(bench => bench with { Light = LightLevel.UvLamp }));
        Looked(Kept(unknown, new Happening(RunEventKind.Ready, "spread"), then.AddMinutes(30))).ShouldBeEmpty();
    }

    [Fact]
    public void Several_layers_in_one_wait_teach_nothing_for_each_was_in_the_light_before()
    {
        var deep = Cases.DeckDing(11).Choosing("uv-under-film", Resin).AtBench(bench => bench with { Light = LightLevel.UvLamp, LampMwPerCm2 = 9.2 });
        deep.Planned().Figure("fill.layers").Value.ShouldBeGreaterThan(1);
        var (mend, _, at) = InTheLight(deep);
        Looked(Kept(mend, new Happening(RunEventKind.Ready, "spread"), at.AddMinutes(90))).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(LightLevel.FullSun)]
    [InlineData(LightLevel.UvLamp)]
    public void A_tube_that_is_known_to_be_slow_takes_as_much_more_light(LightLevel light)
    {
        var known = new LearntPace(Resin, 0.7, 0.05, 5);
        var label = UnderLamp.AtBench(bench => bench with { Light = light });
        var (before, after) = (label.Planned(), (label with { Paces = [known] }).Planned());
        (after.Figure("light.minutes").Value / before.Figure("light.minutes").Value).ShouldBe(1 / 0.7, 1e-9);
        after.Warnings.Single(warning => warning.Code == "learnt-pace").Text.ToString().ShouldContain("the light that its label says here (5 looks)");
        after.Figure("light.minutes").Derivation.Inputs.ShouldContain($"pace.{Resin}", "why it is so long unfolds down to the looks");
        var (mend, window, _) = InTheLight(label with { Paces = [known] }, Cloudy);
        var (bare, byLabel, _) = InTheLight(label, Cloudy);
        (window.Light!.NeededMjPerCm2 / byLabel.Light!.NeededMjPerCm2).ShouldBe(1 / 0.7, 1e-6);
        ((window.OpensAt!.Value - window.FromAt) / (byLabel.OpensAt!.Value - byLabel.FromAt)).ShouldBe(1 / 0.7, 1e-6);
        window.Pace.ShouldNotBeNull().LabelAt.ShouldBe(byLabel.OpensAt);
        var later = window.FromAt.AddMinutes(3);
        mend.StateAt(later).Window!.Light!.FallenMjPerCm2.ShouldBe(bare.StateAt(later).Window!.Light!.FallenMjPerCm2, 1e-6, "what fell, fell: the tube has no say in it");
    }

    [Fact]
    public void Where_the_sun_stands_is_asked_for_as_much_more_light()
    {
        var sunny = UnderFilm.AtBench(bench => bench with { Light = LightLevel.FullSun, LatitudeDeg = 50, LongitudeDeg = 0 });
        var (label, slow) = (sunny.Planned(), (sunny with { Paces = [new LearntPace(Resin, 0.5, 0.05, 5)] }).Planned());
        slow.ReadyAt!.Value.ShouldBeGreaterThan(label.ReadyAt!.Value);
        slow.Figure("light.minutes").Value.ShouldBeGreaterThan(label.Figure("light.minutes").Value * 1.5);
    }

    // A tube that takes 1 / 0.7 of its label's dose, in five mends under five skies, each planned by what was learnt in those before it.
    [Fact]
    public void Five_looks_under_five_skies_make_the_sixth_prediction_right()
    {
        var (looks, random) = (new List<PaceLook>(), new Random(5));
        for (var i = 0; i < 6; i++)
        {
            var known = LearntPace.From(Resin, looks);
            var sky = Sky.LabelMwPerCm2 * (0.3 + random.NextDouble());
            var (mend, window, _) = InTheLight(UnderFilm with { Paces = known is null ? null : [known] }, Metered(sky));
            var share = random.NextDouble();
            var truth = window.FromAt.AddMinutes(mend.Plan!.Step("spread").Timing.Wait!.OpensMin.CureMin * Sky.LabelMwPerCm2 / sky / 0.7 * Math.Exp(LearntPace.FingerScale * Math.Log((1 - share) / share)));
            if (i == 5)
            {
                window.Pace.ShouldNotBeNull().ShouldSatisfyAllConditions(
                    pace => pace.IsReckonedWith.ShouldBeTrue(), pace => pace.EarliestAt!.Value.ShouldBeLessThan(truth), pace => pace.LatestAt!.Value.ShouldBeGreaterThan(truth), pace => pace.Rate.ShouldBe(0.7, 0.06));
                return;
            }

            for (var look = window.OpensAt!.Value; ; look = look.AddMinutes(1))
            {
                mend = Kept(mend, new Happening(look < truth ? RunEventKind.NotYet : RunEventKind.Ready, "spread"), look);
                if (look >= truth)
                {
                    break;
                }
            }

            looks.AddRange(Looked(mend));
        }
    }
}
