using AbleMend.Core.Figures;
using AbleMend.Core.Materials;

namespace AbleMend.Core.Mixing;

/// <summary>What a batch does in its cup.</summary>
/// <param name="PotLifeMin">Minutes from mixing until it gels; never longer than the simulated time.</param>
/// <param name="PeakC">Highest temperature in °C.</param>
/// <param name="Gelled">Whether it gelled within the simulated time.</param>
/// <param name="SpreadMin">Minutes from mixing until it can no longer be spread or wet out cloth, which is sooner than gel: see <see cref="Cup.SpreadableShare"/>.</param>
public sealed record CupResult(double PotLifeMin, double PeakC, bool Gelled, double SpreadMin);

/// <summary>How a mix heats itself, as fitted to its label: what a <see cref="Cup"/> is made of.</summary>
/// <param name="Heat">Heat of cure, with the peak that resin and cup stand.</param>
/// <param name="DensityGPerMl">Density of the mix in g/mL, above 0.</param>
/// <param name="ActivationKjPerMol">Activation energy in kJ/mol.</param>
/// <param name="ReferenceC">Temperature of the label in °C.</param>
/// <param name="K1PerS">Rate at the start of the reaction at that temperature, per second.</param>
public sealed record CupModel(CureHeat Heat, double DensityGPerMl, double ActivationKjPerMol, double ReferenceC, double K1PerS);

/// <summary>Shape that a batch stands in.</summary>
public enum CupShape
{
    /// <summary>A round cup filled as high as it is wide: the worst for heat.</summary>
    Cup,

    /// <summary>A tray or a film, <see cref="Cup.TrayDepthMm"/> deep: sheds its heat.</summary>
    Tray,
}

/// <summary>
/// A batch in its cup as a lumped body: (m·cp + C_cup)·dT/dt = m·ΔH·dα/dt − h·A·(T − T_air), with the autocatalytic rate
/// dα/dt = (k1 + k2·α)(1 − α)² of Kamal and Sourour (1973), and a loss that grows with the difference: see
/// <see cref="StillAir"/>. Constants are fitted so that the label's mass at the label's temperature reaches gel at the
/// label's pot life.
/// </summary>
public sealed class Cup
{
    /// <summary>Depth of resin in a tray, in millimetres.</summary>
    public const double TrayDepthMm = 5;

    /// <summary>Heat capacity of the cup itself in J/K: 6 g of polypropylene at 1.9 J/(g·K). From memory.</summary>
    public const double CupHeatCapacityJPerK = 11.4;

    /// <summary>
    /// k2/k1: how strongly the reaction feeds itself. From memory, taken on the warm side of what fits amine-cured epoxies: 33 g of a 2:1
    /// resin at 21 °C then comes to about 100 °C, of a quick 5:1 to about 160, and 15 g of a slow one stays warm.
    /// </summary>
    public const double Autocatalysis = 4;

    /// <summary>
    /// Share of the conversion at gel up to which it spreads: viscosity rises as (αg/(αg − α))^1.5 (Castro and Macosko 1982, exponent from
    /// memory), so at 0.6 of it, it has grown fourfold, and no longer wets out cloth.
    /// </summary>
    public const double SpreadableShare = 0.6;

    /// <summary>How far the rise of a batch that is left standing is known, either way, in percent. From memory: heat of cure and loss of a cup, each to a tenth.</summary>
    public const double RiseBandPercent = 15;

    private const double MinuteS = 60;
    private const double LongestMin = 24 * 60;

    private readonly CureHeat _heat;
    private readonly double _densityGPerMl;
    private readonly double _activationJPerMol;
    private readonly double _referenceC;
    private readonly double _k1PerS;

    /// <summary>The cup of a model that was fitted before.</summary>
    public Cup(CupModel model)
    {
        Model = model;
        _heat = model.Heat;
        _densityGPerMl = model.DensityGPerMl;
        _activationJPerMol = model.ActivationKjPerMol * 1000;
        _referenceC = model.ReferenceC;
        _k1PerS = model.K1PerS;
    }

    /// <value>What it was made of.</value>
    public CupModel Model { get; }

    /// <summary>The citation that goes with a pot life.</summary>
    public static Source Source { get; } =
        Source.Published("Kamal and Sourour (1973), autocatalytic cure; lumped heat balance of the cup, fitted to the label's pot life");

    /// <summary>The citation that goes with the end of spreading.</summary>
    public static Source SpreadSource { get; } = Source.Published("Kamal and Sourour (1973), cure; Castro and Macosko (1982), rise of viscosity towards gel");

    /// <summary>Fits the cup of a material to its label.</summary>
    /// <param name="material">A material with label, pot life, pot mass, heat and density.</param>
    /// <exception cref="ArgumentException">The label lacks one of them.</exception>
    public static Cup Fit(Material material)
    {
        if (material is not { Label: { PotLifeMin: { } potLife, PotMassG: { } mass } label, Heat: { } heat, DensityGPerMl: { } density })
        {
            throw new ArgumentException($"{material.Id} lacks pot life, heat or density.", nameof(material));
        }

        var activation = material.ActivationKjPerMol ?? Curing.EquivalentAge.DefaultActivationKjPerMol;
        Cup With(double k1) => new(new CupModel(heat, density, activation, label.ReferenceC, k1));

        // Pot life falls steadily as k1 grows, so bisection on its logarithm closes in to 0.01 %.
        double low = Math.Log(1e-9), high = Math.Log(1);
        for (var i = 0; i < 60 && high - low > 1e-4; i++)
        {
            var middle = (low + high) / 2;
            var life = With(Math.Exp(middle)).Simulate(mass, label.ReferenceC, CupShape.Cup).PotLifeMin;
            (low, high) = life > potLife ? (middle, high) : (low, middle);
        }

        return With(Math.Exp((low + high) / 2));
    }

    /// <summary>Simulates a batch from mixing, for at most a day, until it has gelled and is past its peak.</summary>
    /// <param name="massG">Mass of the batch in grams, above 0.</param>
    /// <param name="airC">Temperature of air and resin at mixing, in °C.</param>
    /// <param name="shape">What it stands in.</param>
    public CupResult Simulate(double massG, double airC, CupShape shape)
    {
        Guard.Positive(massG, nameof(massG));
        Guard.Within(airC, -30, 80, nameof(airC));
        var body = BodyOf(massG, airC, shape);
        // Past one time constant of the cooling, explicit steps would swing about the air's temperature.
        var longest = Math.Min(300, 1 / body.CoolingPerS(airC + HottestK));
        double time = 0, alpha = 0, celsius = airC, peak = airC, gel = double.NaN, spread = double.NaN;
        while (time < LongestMin * MinuteS)
        {
            var rate = RatePerS(alpha, celsius);
            // A step moves conversion by at most 0.01 and temperature by at most about 2 K.
            var slope = Math.Abs(body.SlopeKPerS(rate, celsius));
            var step = Math.Min(longest, Math.Min(0.01 / rate, slope > 0 ? 2 / slope : longest));
            var (nextAlpha, nextCelsius) = Midpoint(alpha, celsius, body, rate, step);
            double Passed(double conversion) => time + (step * (conversion - alpha) / (nextAlpha - alpha));
            if (double.IsNaN(spread) && nextAlpha >= SpreadableShare * _heat.GelConversion)
            {
                spread = Passed(SpreadableShare * _heat.GelConversion);
            }

            if (double.IsNaN(gel) && nextAlpha >= _heat.GelConversion)
            {
                gel = Passed(_heat.GelConversion);
            }

            (time, alpha, celsius) = (time + step, nextAlpha, nextCelsius);
            peak = Math.Max(peak, celsius);
            if (!double.IsNaN(gel) && celsius < peak - 0.5)
            {
                break;
            }

            if (alpha > 0.999)
            {
                break;
            }
        }

        var spreads = double.IsNaN(spread) ? LongestMin : spread / MinuteS;
        return double.IsNaN(gel) ? new CupResult(LongestMin, peak, false, spreads) : new CupResult(gel / MinuteS, peak, true, spreads);
    }

    private double RatePerS(double alpha, double celsius)
    {
        var k1 = _k1PerS * Arrhenius(celsius);
        return k1 * (1 + (Autocatalysis * alpha)) * (1 - alpha) * (1 - alpha);
    }

    private double Arrhenius(double celsius)
    {
        var zero = Curing.EquivalentAge.ZeroCelsiusK;
        var difference = (1 / (celsius + zero)) - (1 / (_referenceC + zero));
        return Math.Exp(-_activationJPerMol / Curing.EquivalentAge.GasConstantJPerMolK * difference);
    }

    private (double Alpha, double Celsius) Midpoint(double alpha, double celsius, Body body, double rate, double step)
    {
        var halfAlpha = Math.Min(1, alpha + (rate * step / 2));
        var halfCelsius = celsius + (body.SlopeKPerS(rate, celsius) * step / 2);
        var halfRate = RatePerS(halfAlpha, halfCelsius);
        return (Math.Min(1, alpha + (halfRate * step)), celsius + (body.SlopeKPerS(halfRate, halfCelsius) * step));
    }

    /// <summary>More than any batch rises above its air: its loss there is the quickest.</summary>
    private const double HottestK = 300;

    private Body BodyOf(double massG, double airC, CupShape shape)
    {
        var area = AreaM2(massG, shape);
        var capacity = (massG * _heat.HeatCapacityJPerGK) + (shape == CupShape.Cup ? CupHeatCapacityJPerK * Math.Min(1, massG) : 0);
        // A cup is as high as it is wide; a tray stands as a plate about a hand wide.
        var heightM = shape == CupShape.Cup ? Math.Sqrt(area / (1.5 * Math.PI)) : 0.1;
        return new Body(massG * _heat.EnthalpyJPerG / capacity, area / capacity, heightM, airC);
    }

    /// <summary>A batch as a body that heats itself and loses heat to the air.</summary>
    /// <param name="HeatingK">Rise for a full conversion without any loss, in K.</param>
    /// <param name="AreaPerCapacity">Surface over heat capacity, in m²·K/J.</param>
    /// <param name="HeightM">Height of the surface in metres.</param>
    /// <param name="AirC">Temperature of the air.</param>
    private readonly record struct Body(double HeatingK, double AreaPerCapacity, double HeightM, double AirC)
    {
        public double CoolingPerS(double celsius) => StillAir.TransferWPerM2K(celsius, AirC, HeightM) * AreaPerCapacity;

        public double SlopeKPerS(double rate, double celsius) => (HeatingK * rate) - (CoolingPerS(celsius) * (celsius - AirC));
    }

    private double AreaM2(double massG, CupShape shape)
    {
        var volumeM3 = massG / _densityGPerMl * 1e-6;
        if (shape == CupShape.Tray)
        {
            return 2 * volumeM3 / (TrayDepthMm / 1000);
        }

        // A cylinder as high as wide, all faces to the air: A = 1.5·π·d² with d = (4V/π)^(1/3).
        var diameter = Math.Cbrt(4 * volumeM3 / Math.PI);
        return 1.5 * Math.PI * diameter * diameter;
    }
}
