using AbleMend.Core.Figures;
using AbleMend.Core.Proving;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Inflating to prove, and what to tell about heat.</summary>
internal static class Airtight
{
    /// <summary>Identifier of the minutes that a hold test takes.</summary>
    public const string HoldFigure = "air.hold";

    /// <summary>Inflates to working pressure, with the pressure to bleed to before it is left in the sun.</summary>
    public static Job Inflate(this Job job)
    {
        var (bench, wanted) = (job.View.Case.Bench, job.View.Case.Wanted);
        var usual = job.Figures.Fact("item.pressure", "Working pressure of the construction", Kpa(job.View.Construction.PressureKpa ?? 20), Source.OfEntry(job.View.Construction.Source));
        var hottest = job.Figures.Fact("use.hottest", "Hottest in use", Celsius(Math.Max(bench.TemperatureC, wanted.HottestInUseC)));
        var (altitude, used) = (job.Figures.Fact("bench.altitude", "Altitude here", Metres(bench.AltitudeM)), job.Figures.Fact("use.altitude", "Altitude where it is used", Metres(wanted.UsedAtM ?? bench.AltitudeM)));
        var here = job.Figures.Work("air.here", "Air pressure here", () => Kpa(Gas.AtmosphereKpa(altitude.M)), "Standard atmosphere", Gas.Source, 1);
        var there = job.Figures.Work("air.there", "Air pressure where it is used", () => Kpa(Gas.AtmosphereKpa(used.M)), "Standard atmosphere", Gas.Source, 1);
        var working = job.Figure("air.working", "Working pressure", () => usual.Value, "Usual for the construction; the item's own label overrides it", Source.FromMemory("Working pressure of the construction"), 1);
        var rises = job.Figure("air.in-heat", "It rises to", () => Kpa(Gas.CarriedKpa(working.Kpa, job.Bench.C, hottest.C, here.Kpa, there.Kpa)), "(gauge + air here) × T2/T1 − air where it is used", Gas.Source, 1);
        var bleed = job.Figure("air.bleed", "Bleed to before it is left in the sun", () => Kpa(Gas.BleedToKpa(working.Kpa, job.Bench.C, hottest.C, here.Kpa, there.Kpa)),
            "The pressure that reaches the working pressure at the hottest and highest", Gas.Source, 1);
        var step = job.Constant("gauge.step", "Step of the gauge", Kpa(0.7), Source.FromMemory("Step of a usual hand gauge"));
        var matters = job.Constant("hold.matters", "Loss that matters in an hour", Percent(ProofTest.All[HoldTest.ProofId].Limit!.Value), Source.FromMemory("Loss that matters"), (0.01, 50));
        job.Figure(HoldFigure, "Hold it at least", () => WallMin(HoldTest.HoldMin(step.Kpa, working.Kpa + here.Kpa, matters.Percent)),
            "Creep of the first minutes + three steps of the gauge ÷ (pressure inside × the loss that matters)", HoldTest.Source, wouldChange: () => "A finer gauge sees it sooner.");
        return job.Do("inflate", Stage.Prove, $"Inflate it to {working}", "Slowly, in the shade, looking at the edges on the way up. Stop at a hiss.", 5,
            $"Nine of ten seam leaks come from over-pressure in the sun, where it rises to {rises}: bleed it to {bleed} before leaving it.", cautions: ["pressure"]);
    }
}
