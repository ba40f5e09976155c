using System.Text.Json;
using AbleMend.Core.Cases;
using AbleMend.Core.Methods;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;
using AbleMend.Core.Running;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Running;

/// <summary>A scale goes flat in the middle of a mend: what is still to be mixed is measured with what is there.</summary>
public class OtherDevicesTests
{
    private static readonly ScaleDevice Scale = new(0.1);
    private static readonly SyringeDevice Syringes = new(0.5, 20);
    private static readonly MeasuringDevice[] Devices = [Scale, Syringes, Cases.Cup, new PumpDevice(2, 3)];

    public static TheoryData<string> Worked => [.. GalleryTests.Ids.Where(id => Cases.Planner.Plan(GalleryTests.Read(id)).Value is { } plan && Mixes(plan).Any())];

    private static IEnumerable<PlanStep> Mixes(RepairPlan plan) => plan.Steps.Where(step => step.Pour?.Cup?.Ingredients.Any(each => each.Part == MixPart.Hardener) == true);

    private static Mend Started(RepairCase repairCase) => Mend.Open(repairCase, Cases.Planner, Cases.Morning).Value!.Start(Cases.Planner, Cases.Morning).Value!;

    private static Mend Kept(Mend mend, Happening happening, int minutes = 1) =>
        mend.Keep(happening, Cases.Morning.AddMinutes(minutes), Cases.Planner) is { Value: { } kept } ? kept : throw new InvalidOperationException(mend.Keep(happening, Cases.Morning.AddMinutes(minutes), Cases.Planner).Problems[0].Message.ToString());

    private static Mend With(Mend mend, MeasuringDevice device, int minutes = 1) => Kept(mend, new Happening(RunEventKind.MeasuredWith, Device: device), minutes);

    private static Mend Until(Mend mend, string step, ref int minutes)
    {
        while (mend.StateAt(Cases.Morning.AddMinutes(minutes)) is { } state && state.CurrentStepId != step)
        {
            minutes += 5;
            mend = Kept(mend, new Happening(state.Phase == StepPhase.Waiting ? RunEventKind.Ready : RunEventKind.HandsDone, state.CurrentStepId), minutes);
        }

        return mend;
    }

    private static string Written<T>(T value) => JsonSerializer.Serialize(value, OpenJson.Options);

    [Theory]
    [MemberData(nameof(Worked))]
    public void Before_anything_is_mixed_the_plan_is_that_of_the_other_device_and_taken_back_it_is_as_it_was(string id)
    {
        var mend = Started(GalleryTests.Read(id));
        foreach (var device in Devices.Where(device => device != mend.Case.Tools.Measure))
        {
            var other = With(mend, device);
            var anew = Cases.Planner.Plan(mend.Case with
            {
                Tools = mend.Case.Tools with { Measure = device },
                Damages = [.. mend.Case.Damages.Select((damage, i) => damage with { Choice = (damage.Choice ?? new Choice()) with { Method = mend.Plan!.Damages[i].System!.Method, Material = mend.Plan.Damages[i].System!.Material } })],
            }).Value!;
            Written(other.Plan!.Figures.OrderBy(figure => figure.Id)).ShouldBe(Written(anew.Figures.OrderBy(figure => figure.Id)), $"{device}");
            Written(other.Plan.Steps).ShouldBe(Written(anew.Steps), $"{device}");
            Written(other.Plan.Warnings.Select(Written).Order()).ShouldBe(Written(anew.Warnings.Select(Written).Order()), $"{device}");
            Written(Kept(other, new Happening(RunEventKind.Undo)).Plan).ShouldBe(Written(mend.Plan), $"{device}");
        }
    }

    private static double Value(Mend mend, string figure) => mend.Plan!.Figures.First(each => each.Id == figure).Value;

    private static string Of(Mend mend, string prefix) => Written(mend.Plan!.Figures.Where(each => each.Id.StartsWith(prefix, StringComparison.Ordinal)));

    private static Mend Poured(Mend mend, string step, MixPart part, double grams, int minutes) =>
        Kept(mend, new Happening(RunEventKind.Poured, step, Kebab<MixPart>.Id(part), grams, Resolution: 0.1), minutes);

    [Fact]
    public void What_was_poured_keeps_its_device_until_it_is_done_again_and_what_comes_after_it_has_the_other()
    {
        var minutes = 0;
        var mend = Until(Started(Cases.FinBox() with { Tools = Cases.FinBox().Tools with { Measure = Scale } }), "glass-mix", ref minutes);
        mend = Poured(mend, "glass-mix", MixPart.Resin, Value(mend, "glass.part-a-g"), ++minutes);
        var other = With(mend, Syringes, ++minutes);
        var syringes = With(Started(mend.Case), Syringes);
        Of(other, "glass.").ShouldBe(Of(mend, "glass."), "that cup is half full");
        other.Plan!.Step("glass-mix").Instruction.ShouldBe(mend.Plan!.Step("glass-mix").Instruction);
        Of(other, "coat.").ShouldBe(Of(syringes, "coat."));
        other.Plan!.Step("coat-mix").Instruction.ShouldBe(syringes.Plan!.Step("coat-mix").Instruction);

        var thrown = Kept(other, new Happening(RunEventKind.ThrownOut, "glass-mix"), ++minutes);
        Of(thrown, "glass.").ShouldBe(Of(syringes, "glass."), "it is filled anew");
        Of(Kept(thrown, new Happening(RunEventKind.Undo), minutes), "glass.").ShouldBe(Of(mend, "glass."));

        var mixed = Kept(Poured(other, "glass-mix", MixPart.Hardener, Value(other, "glass.part-b-g"), ++minutes), new Happening(RunEventKind.HandsDone, "glass-mix"), ++minutes);
        Of(mixed, "glass.").ShouldBe(Of(mend, "glass."));
        Of(Kept(mixed, new Happening(RunEventKind.Redo, "glass-mix"), ++minutes), "glass.").ShouldBe(Of(syringes, "glass."), "it is mixed again");
    }

    [Fact]
    public void Two_scales_of_one_run_each_keep_their_own_steps()
    {
        var minutes = 0;
        var mend = Until(Started(Cases.FinBox() with { Tools = Cases.FinBox().Tools with { Measure = Scale } }), "glass-mix", ref minutes);
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "glass-mix"), ++minutes);
        var other = With(mend, new ScaleDevice(1), ++minutes);
        double StepUnder(string figure) => other.Plan!.Figure(figure).Derivation.Inputs.Select(each => other.Plan!.Figure(each)).Single(each => each.Id.StartsWith("scale.", StringComparison.Ordinal)).Value;
        StepUnder("glass.ratio-error").ShouldBe(0.1);
        StepUnder("coat.ratio-error").ShouldBe(1);
        other.Plan!.Figures.SelectMany(figure => figure.Derivation.Inputs).ShouldBeSubsetOf(other.Plan.Figures.Select(figure => figure.Id));
        Written(Kept(other, new Happening(RunEventKind.Undo), minutes).Plan).ShouldBe(Written(mend.Plan));
    }

    [Fact]
    public void A_cup_of_the_other_device_is_filled_by_its_own_advice()
    {
        var minutes = 0;
        var mend = With(Until(Started(Cases.FinBox() with { Tools = Cases.FinBox().Tools with { Measure = Scale } }), "glass-mix", ref minutes), new PumpDevice(2, 3), minutes);
        CupStand Cup() => mend.StateAt(Cases.Morning.AddMinutes(minutes)).Fronts[0].Cup.ShouldNotBeNull();
        while (Cup() is { Turn: CupTurn.Pour } cup)
        {
            mend = Kept(mend, new Happening(RunEventKind.Poured, "glass-mix", Kebab<MixPart>.Id(cup.Next!.Value), cup.Change), ++minutes);
        }

        Cup().Turn.ShouldBe(CupTurn.Stir);
        // Whole strokes of both pumps, as a pair is made for its ratio.
        (Value(mend, "glass.part-a") / 2 % 1).ShouldBe(0, 1e-9);
    }

    [Fact]
    public void A_mix_that_set_before_it_was_spread_stays_in_its_smaller_cups()
    {
        var minutes = 0;
        var mend = Until(Started(Cases.FinBox() with { Tools = Cases.FinBox().Tools with { Measure = Scale } }), "glass", ref minutes);
        var was = Value(mend, "glass.batches");
        var halved = Kept(mend, new Happening(RunEventKind.Mishap, "glass", "gelled/cup-only"), ++minutes);
        Value(halved, "glass.batches").ShouldBe(2 * was);
        var other = With(halved, Syringes, ++minutes);
        Value(other, "glass.batches").ShouldBe(2 * was);
        Of(other, "coat.").ShouldBe(Of(With(Started(mend.Case), Syringes), "coat."));
        other.Plan!.Figure("glass.batches").ShouldSatisfyAllConditions(cups => cups.SetByHand.ShouldBeNull(), cups => cups.Derivation.Rule.ShouldBe(halved.Plan!.Figure("glass.batches").Derivation.Rule));
        Written(Kept(other, new Happening(RunEventKind.Undo), minutes).Plan).ShouldBe(Written(halved.Plan));
    }

    public static TheoryData<MeasuringDevice?, string, string> Refused => new()
    {
        { null, "no-device", "device" },
        { Cases.Cup, "no-change", "device" },
        { new CupDevice(5, 6, 60), "line-error", "device.lineErrorMl" },
        { new ScaleDevice(11), "out-of-range", "device.stepG" },
        { new SyringeDevice(double.NaN, 20), "out-of-range", "device.graduationMl" },
    };

    [Theory]
    [MemberData(nameof(Refused))]
    public void What_cannot_be_measured_with_is_refused_by_its_field(MeasuringDevice? device, string code, string field)
    {
        var mend = Started(Cases.FinBox() with { Tools = Cases.FinBox().Tools with { Measure = Cases.Cup } });
        var problem = mend.Keep(new Happening(RunEventKind.MeasuredWith, Device: device), Cases.Morning, Cases.Planner).Problems[0];
        (problem.Code, problem.Field).ShouldBe((code, field));
    }

    [Fact]
    public void Where_nothing_is_left_to_measure_no_device_is_taken()
    {
        var minutes = 0;
        var repairCase = GalleryTests.Read("ski-tip-parted");
        var mend = Until(Started(repairCase with { Tools = repairCase.Tools with { Measure = Scale } }), "glue-mix", ref minutes);
        mend = Kept(mend, new Happening(RunEventKind.HandsDone, "glue-mix"), ++minutes);
        mend.Keep(new Happening(RunEventKind.MeasuredWith, Device: Syringes), Cases.Morning.AddMinutes(minutes), Cases.Planner).Problems[0].Code.ShouldBe("not-now");
        mend.Keep(new Happening(RunEventKind.Note, Text: "x", Device: Syringes), Cases.Morning.AddMinutes(minutes), Cases.Planner).Problems[0].Field.ShouldBe("device");
    }
}
