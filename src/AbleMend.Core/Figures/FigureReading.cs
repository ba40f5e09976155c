using AbleMend.Core.Quantities;

namespace AbleMend.Core.Figures;

/// <summary>Reads a figure by its unit: <c>drill.Mm</c>, <c>working.Kpa</c>. A figure of another quantity has no such property.</summary>
public static class FigureReading
{
    extension(Figure<Length> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Mm => figure.Value.Mm;
    }

    extension(Figure<Altitude> figure)
    {
        /// <value>The figure in its unit.</value>
        public double M => figure.Value.M;
    }

    extension(Figure<ParticleSize> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Um => figure.Value.Um;
    }

    extension(Figure<Section> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Mm2 => figure.Value.Mm2;
    }

    extension(Figure<Area> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Cm2 => figure.Value.Cm2;
    }

    extension(Figure<Volume> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Ml => figure.Value.Ml;
    }

    extension(Figure<RoomVolume> figure)
    {
        /// <value>The figure in its unit.</value>
        public double M3 => figure.Value.M3;
    }

    extension(Figure<Mass> figure)
    {
        /// <value>The figure in its unit.</value>
        public double G => figure.Value.G;
    }

    extension(Figure<DeadWeight> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Kg => figure.Value.Kg;
    }

    extension(Figure<Density> figure)
    {
        /// <value>The figure in its unit.</value>
        public double GPerMl => figure.Value.GPerMl;
    }

    extension(Figure<ArealWeight> figure)
    {
        /// <value>The figure in its unit.</value>
        public double GPerM2 => figure.Value.GPerM2;
    }

    extension(Figure<VapourDensity> figure)
    {
        /// <value>The figure in its unit.</value>
        public double GPerM3 => figure.Value.GPerM3;
    }

    extension(Figure<WallTime> figure)
    {
        /// <value>The figure in its unit.</value>
        public double WallMin => figure.Value.WallMin;
    }

    extension(Figure<WallHours> figure)
    {
        /// <value>The figure in its unit.</value>
        public double H => figure.Value.H;
    }

    extension(Figure<CureTime> figure)
    {
        /// <value>The figure in its unit.</value>
        public double CureMin => figure.Value.CureMin;
    }

    extension(Figure<Pressure> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Kpa => figure.Value.Kpa;
    }

    extension(Figure<Stress> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Mpa => figure.Value.Mpa;
    }

    extension(Figure<Force> figure)
    {
        /// <value>The figure in its unit.</value>
        public double N => figure.Value.N;
    }

    extension(Figure<LineLoad> figure)
    {
        /// <value>The figure in its unit.</value>
        public double NPerMm => figure.Value.NPerMm;
    }

    extension(Figure<Temperature> figure)
    {
        /// <value>The figure in its unit.</value>
        public double C => figure.Value.C;
    }

    extension(Figure<TemperatureSpan> figure)
    {
        /// <value>The figure in its unit.</value>
        public double K => figure.Value.K;
    }

    extension(Figure<Share> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Percent => figure.Value.Percent;
    }

    extension(Figure<Count> figure)
    {
        /// <value>The figure in its unit.</value>
        public double N => figure.Value.N;
    }

    extension(Figure<Ratio> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Parts => figure.Value.Parts;
    }

    extension(Figure<Factor> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Times => figure.Value.Times;
    }

    extension(Figure<Slope> figure)
    {
        /// <value>The figure in its unit.</value>
        public double ToOne => figure.Value.ToOne;
    }

    extension(Figure<Drops> figure)
    {
        /// <value>The figure in its unit.</value>
        public double N => figure.Value.N;
    }

    extension(Figure<Kits> figure)
    {
        /// <value>The figure in its unit.</value>
        public double N => figure.Value.N;
    }

    extension(Figure<GradeP> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Grade => figure.Value.Grade;
    }

    extension(Figure<GradeCami> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Grade => figure.Value.Grade;
    }

    extension(Figure<Angle> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Deg => figure.Value.Deg;
    }

    extension(Figure<MolarEnergy> figure)
    {
        /// <value>The figure in its unit.</value>
        public double KjPerMol => figure.Value.KjPerMol;
    }

    extension(Figure<Concentration> figure)
    {
        /// <value>The figure in its unit.</value>
        public double Ppm => figure.Value.Ppm;
    }

    extension(Figure<HourlyRate> figure)
    {
        /// <value>The figure in its unit.</value>
        public double PerHour => figure.Value.PerHour;
    }

    extension(Figure<Irradiance> figure)
    {
        /// <value>The figure in its unit.</value>
        public double MwPerCm2 => figure.Value.MwPerCm2;
    }
}
