using AbleMend.Core.Gear;
using AbleMend.Core.Plans;
using AbleMend.Core.Proving;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Inflating to prove, and what to tell about heat.</summary>
internal static class Airtight
{
    /// <summary>Step of a usual hand gauge in kPa. From memory: a tenth of a psi, roughly.</summary>
    public const double GaugeStepKpa = 0.7;

    /// <summary>Identifier of the minutes that a hold test takes.</summary>
    public const string HoldFigure = "air.hold";

    /// <summary>Inflates to working pressure, with the pressure to bleed to before it is left in the sun.</summary>
    public static StepList Inflate(StepList list)
    {
        var (bench, wanted) = (list.View.Case.Bench, list.View.Case.Wanted);
        var working = list.View.Construction.PressureKpa ?? 20;
        var (now, hot) = (bench.TemperatureC, Math.Max(bench.TemperatureC, wanted.HottestInUseC));
        var (here, there) = (Gas.AtmosphereKpa(bench.AltitudeM), Gas.AtmosphereKpa(wanted.UsedAtM ?? bench.AltitudeM));
        Input[] air = [new("Now", now, "°C"), new("Hottest in use", hot, "°C"), new("Air here", here, "kPa"), new("Air where it is used", there, "kPa")];
        list.Figure("air.working", "Working pressure", working, "kPa", "Usual for the construction; the item's own label overrides it", Source.FromMemory("Working pressure of the construction"), decimals: 0);
        list.Figure("air.in-heat", "It rises to", Gas.CarriedKpa(working, now, hot, here, there), "kPa", "(gauge + air here) × T2/T1 − air where it is used", Gas.Source,
            [.. air, new("Gauge now", working, "kPa")], 0);
        list.Figure("air.bleed", "Bleed to before it is left in the sun", Gas.BleedToKpa(working, now, hot, here, there), "kPa", "The pressure that reaches the working pressure at the hottest and highest", Gas.Source,
            [.. air, new("Working pressure", working, "kPa")], 0);
        var absolute = working + here;
        list.Figure(HoldFigure, "Hold it at least", HoldTest.HoldMin(GaugeStepKpa, absolute, ProofTest.All["hold"].Limit!.Value), "min",
            "Creep of the first minutes + three steps of the gauge ÷ (pressure inside × the loss that matters)", HoldTest.Source,
            [new("Step of the gauge", GaugeStepKpa, "kPa"), new("Pressure inside", absolute, "kPa"), new("Loss that matters in an hour", ProofTest.All["hold"].Limit!.Value, "%")],
            0, "A finer gauge sees it sooner.");
        return list.Do("inflate", Stage.Prove, "Inflate it to working pressure", "Slowly, in the shade, looking at the edges on the way up. Stop at a hiss.", 5,
            "Nine of ten seam leaks come from over-pressure in the sun: bleed some before leaving it.", cautions: ["pressure"]);
    }
}
