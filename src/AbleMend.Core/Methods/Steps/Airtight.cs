using AbleMend.Core.Figures;
using AbleMend.Core.Proving;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Inflating to prove, and what to tell about heat.</summary>
internal static class Airtight
{
    /// <summary>Identifier of the minutes that a hold test takes.</summary>
    public const string HoldFigure = "air.hold";

    private const string ApartFigure = "hold.apart";

    /// <summary>Pressure in kPa from which on a skin is pumped hard. From memory.</summary>
    private const double HardKpa = 50;

    /// <summary>Pressure in kPa up to which a skin is blown up by mouth and stretches before it is hard. From memory.</summary>
    private const double SoftKpa = 5;

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
        if (job.View.Construction.PressureKpa <= SoftKpa)
        {
            return job.Do(HoldTest.InflateStep, Stage.Prove, $"Inflate it gently, to {working} at most", "By mouth or foot pump, no harder than it was. Look at the edges.", 4,
                $"Gently: thin vinyl stretches before it lets go, and in the sun it rises to {rises}. Let it go slack before leaving it.", cautions: ["pressure"]);
        }

        var bleed = job.Figure("air.bleed", "Bleed to before it is left in the sun", () => Kpa(Gas.BleedToKpa(working.Kpa, job.Bench.C, hottest.C, here.Kpa, there.Kpa)),
            "The pressure that reaches the working pressure at the hottest and highest", Gas.Source, 1);
        return job.Do(HoldTest.InflateStep, Stage.Prove, $"Inflate it to {working}", "Slowly, in the shade, looking at the edges on the way up. Stop at a hiss.", 5,
            $"Nine of ten seam leaks come from over-pressure in the sun, where it rises to {rises}: bleed it to {bleed} before leaving it.", cautions: ["pressure"]);
    }

    /// <summary>Leaves it to settle and watches the gauge for as long as it takes to see a leak that matters.</summary>
    /// <param name="job">The job.</param>
    /// <param name="atLeast">How long it stands at pressure anyhow, or null.</param>
    public static Job Watch(this Job job, Figure<WallTime>? atLeast = null)
    {
        var (working, here) = ((Figure<Pressure>)job.Figures.Find("air.working")!, (Figure<Pressure>)job.Figures.Find("air.here")!);
        var (settle, apart) = HowToJudge(job, working, here);
        var hold = job.Figure(HoldFigure, "Hold it at least", () => WallMin(settle.WallMin + apart.WallMin), "Settling and the time between the readings", Source.Arithmetic);
        var wait = atLeast is { } day && day.WallMin > hold.WallMin ? day : hold;
        return job.Do(HoldTest.WatchStep, Stage.Prove, "Let it settle, top it up, read the gauge",
            $"In the shade, valve capped. {settle} for the cloth to creep and the pump's heat to leave, then top it up to {working} and read gauge, air and barometer. Read them again {apart} later or more: a day apart is best.", 5,
            "Write the first reading down: it is the one that is always missing.", Waits.ByTheClock(WaitKind.Pressure, wait, "Has the last reading been taken?", 60), ["pressure"]);
    }

    /// <summary>What the hold test is judged by, and how long it takes these instruments to see it.</summary>
    private static (Figure<WallTime> Settle, Figure<WallTime> Apart) HowToJudge(Job job, Figure<Pressure> working, Figure<Pressure> here)
    {
        var gauge = job.Constant(HoldTest.GaugeFigure, "Step of the gauge", Kpa(HoldCriterion.UsualSteps.GaugeKpa), Source.FromMemory("Step of a usual hand gauge"), (0.01, 20));
        var thermometer = job.Constant(HoldTest.ThermometerFigure, "Step of the thermometer", Apart(HoldCriterion.UsualSteps.ThermometerK), Source.FromMemory("Step of a shop's thermometer"), (0.01, 5));
        var day = job.Constant("hold.day", "Working pressure that may be lost in a day", Percent(20), Source.FromMemory("Boat standards, ISO 6185: of the order of a fifth in 24 hours"), (1, 90));
        var matters = job.Figure(HoldTest.MattersFigure, "Loss that matters in an hour, of the air inside", () => Percent(HoldTest.MattersPercentPerHour(day.Percent, working.Kpa, here.Kpa)),
            "Share of the working pressure ÷ pressure inside ÷ 24 h", HoldTest.Source, 2, between: (0.01, 50));
        var settle = job.Figure(HoldTest.SettleFigure, "It settles for", () => WallMin(working.Kpa >= HardKpa ? 60 : 30), "About an hour for a board that is pumped hard, half of it for a soft tube",
            Source.FromMemory("Creep of cloth, and heat of the pump"), between: (1, 600));
        var apart = job.Figure(ApartFigure, "Readings apart by", () => WallMin(HoldTest.ApartMin(working.Kpa + here.Kpa, job.Bench.C, new HoldCriterion(matters.Percent, settle.WallMin, gauge.Kpa, thermometer.K))),
            "Until what gauge and thermometer cannot tell apart, √2 × 1.96 × step/√12 of each, is half of the loss that matters", HoldTest.Source, wouldChange: () => "A finer gauge sees it sooner.");
        return (settle, apart);
    }
}
