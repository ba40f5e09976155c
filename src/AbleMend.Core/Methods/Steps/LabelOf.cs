using AbleMend.Core.Figures;
using AbleMend.Core.Materials;
using AbleMend.Core.Quantities;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What a product's label says, as figures: the ground that mixes, waits and spreads stand on.</summary>
/// <param name="graph">Figures of the plan.</param>
/// <param name="material">The product.</param>
internal sealed class LabelOf(FigureGraph graph, Material material)
{
    private readonly List<(string What, IFigure Figure)> _said = [];

    /// <value>The product.</value>
    public Material Material { get; } = material;

    /// <value>Its density.</value>
    public Figure<Density> Density => Says("density", "Density", GPerMl(Material.DensityGPerMl!.Value));

    /// <value>Density of part A.</value>
    public Figure<Density> DensityA => Says("density-a", "Density of A", GPerMl(Material.DensityAGPerMl!.Value));

    /// <value>Density of part B.</value>
    public Figure<Density> DensityB => Says("density-b", "Density of B", GPerMl(Material.DensityBGPerMl!.Value));

    /// <value>Parts of A.</value>
    public Figure<Ratio> PartsA => Says("parts-a", "Parts of A", new Ratio(Material.Ratio!.A));

    /// <value>Parts of B.</value>
    public Figure<Ratio> PartsB => Says("parts-b", "Parts of B", new Ratio(Material.Ratio!.B));

    /// <value>How far the ratio may be off.</value>
    public Figure<Share> RatioTolerance => Says("tolerance", "Tolerance of the ratio", Percent(Material.Ratio!.TolerancePercent));

    /// <value>One wet coat.</value>
    public Figure<ArealWeight> Spread => Says("spread", "One wet coat", GPerM2(Material.SpreadGPerM2!.Value));

    /// <value>Weight of the cloth.</value>
    public Figure<ArealWeight> ArealWeight => Says("areal-weight", "Areal weight", GPerM2(Material.ArealWeightGPerM2!.Value));

    /// <value>Thickness that one ply lays down.</value>
    public Figure<Length> Ply => Says("ply", "One ply", Mm(Material.PlyMm!.Value));

    /// <value>Coats on each face.</value>
    public Figure<Count> Coats => Says("coats", "Coats", Count(Material.Coats!.Value));

    /// <value>Strength of a lap.</value>
    public Figure<Stress> LapShear => Says("lap-shear", "Lap shear τ", Mpa(Material.LapShearMpa!.Value));

    /// <value>Thickness that light cures at once.</value>
    public Figure<Length> LightLayer => Says("layer", "One layer", Mm(Material.Light!.LayerMm));

    /// <value>Film that the label's times are for.</value>
    public Figure<Length> Film => Says("film", "Label's film", Mm(Material.LabelFilmMm!.Value));

    /// <value>Time that a cleaner takes to leave.</value>
    public Figure<CureTime> Flash => Says("flash", "Flash time at 20 °C", CureMin(Material.FlashMin!.Value));

    /// <value>Pot life.</value>
    public Figure<CureTime> PotLife => Says("pot-life", "Pot life", CureMin(Material.Label!.PotLifeMin!.Value));

    /// <value>Mass that the pot life is for.</value>
    public Figure<Mass> PotMass => Says("pot-mass", "Pot life is for", Grams(Material.Label!.PotMassG!.Value));

    /// <value>What resin and cup stand.</value>
    public Figure<Temperature> SafePeak => Says("safe-peak", "Cup and resin stand", Celsius(Material.Heat!.SafePeakC));

    /// <value>Temperature of the label.</value>
    public Figure<Temperature> Reference => Says("reference", "Temperature of the label", Celsius(Material.Label!.ReferenceC));

    /// <value>Until it is firm enough for the next coat.</value>
    public Figure<CureTime> Recoat => Time("recoat", "Recoat from", Material.Label!.RecoatOpensMin ?? Material.Label.LoadableMin);

    /// <value>Until it sands.</value>
    public Figure<CureTime> Sandable => Time("sandable", "Sands from", Material.Label!.SandableMin ?? Material.Label.LoadableMin);

    /// <value>Until it may be loaded.</value>
    public Figure<CureTime> Loadable => Time("loadable", "May be loaded from", Material.Label!.LoadableMin);

    /// <value>Until it may be handled.</value>
    public Figure<CureTime> Handleable => Time("handleable", "May be handled from", Material.Label!.HandleableMin ?? Material.Label.LoadableMin);

    /// <value>Until it is tacky.</value>
    public Figure<CureTime> Tack => Time("tack", "Tack from", Material.Label!.TackOpensMin ?? Material.Label.LoadableMin);

    /// <value>The label's dose of catalyst.</value>
    public Figure<Share> Catalyst => Says("catalyst", "Catalyst at the label's temperature", Percent(Material.Catalyst!.Percent));

    /// <value>The least catalyst.</value>
    public Figure<Share> CatalystLeast => Says("catalyst-least", "Catalyst at least", Percent(Material.Catalyst!.MinPercent));

    /// <value>The most catalyst.</value>
    public Figure<Share> CatalystMost => Says("catalyst-most", "Catalyst at most", Percent(Material.Catalyst!.MaxPercent));

    /// <value>One drop of catalyst.</value>
    public Figure<Mass> Drop => Says("drop", "One drop", Grams(Material.Catalyst!.DropMassG));

    /// <value>Filler as a share of the mix by mass.</value>
    public Figure<Share> FillerShare => Says("share", "Share by mass", Percent(Material.FillerMassShare!.Value * 100));

    /// <summary>Anything else that it says.</summary>
    /// <param name="what">End of the identifier.</param>
    /// <param name="label">What it is.</param>
    /// <param name="value">Its value.</param>
    public Figure<TQuantity> Says<TQuantity>(string what, string label, TQuantity value)
        where TQuantity : struct, IQuantity<TQuantity>
    {
        foreach (var (known, figure) in _said)
        {
            if (known == what)
            {
                return (Figure<TQuantity>)figure;
            }
        }

        var said = graph.Label($"label.{Material.Id}.{what}", () => $"{Material.Name}: {label}", value, () => Source.OfEntry(Material.Source));
        _said.Add((what, said));
        return said;
    }

    private Figure<CureTime> Time(string what, string label, double minutes) => Says(what, label, CureMin(minutes));
}
