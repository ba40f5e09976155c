using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Mixing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>A two-part cement as it is mixed from its kit for the coats of one face and its patch: anew where a coat would come after the pot life of the mix before it.</summary>
internal sealed class KitMix
{
    /// <summary>How far the curing agent of a kit may be off. From memory: too little never cures, too much makes it brittle.</summary>
    private const double TolerancePercent = 15;

    private readonly Job _job;
    private readonly string _turn;
    private readonly double _potLifeMin;
    private readonly double _tackMin;
    private int _mixes;
    private double _sinceMixedMin;

    /// <summary>Starts a face.</summary>
    /// <param name="job">The job.</param>
    /// <param name="turn">End of the identifiers; empty for the first.</param>
    public KitMix(Job job, string turn)
    {
        (_job, _turn) = (job, turn);
        var rate = job.Main.Kit is null ? 0 : job.LifeClock(job.Main).RateAt(job.Bench.C);
        // Where it does not cure at all the match has vetoed it.
        _potLifeMin = rate > 0 ? job.Main.Label!.PotLifeMin!.Value / rate : double.PositiveInfinity;
        _tackMin = rate > 0 ? job.Main.Label!.TackOpensMin!.Value / rate : 0;
    }

    /// <value>Identifier of the mix that is in the tin; null where the cement is not a kit.</value>
    public string? Mixed { get; private set; }

    /// <summary>Mixes for a coat and those after it that the mix lasts for, where the one in the tin does not last any more.</summary>
    /// <returns>Whether it was mixed anew, so that the coat follows straight on.</returns>
    public bool For(int coat, int coats, Figure<Mass> grams)
    {
        if (_job.Main.Kit is null)
        {
            return false;
        }

        var anew = Mixed is null || _sinceMixedMin + Cements.CoatMin > _potLifeMin;
        if (anew)
        {
            Mix(CoatsItLasts(coats - coat + 1), coats, grams);
        }

        _sinceMixedMin += Cements.CoatMin + _tackMin;
        return anew;
    }

    private int CoatsItLasts(int left)
    {
        var lasts = 1;
        while (lasts < left && Mixes.MixingMin + (lasts * (Cements.CoatMin + _tackMin)) + Cements.CoatMin <= _potLifeMin)
        {
            lasts++;
        }

        return lasts;
    }

    private void Mix(int coats, int ofCoats, Figure<Mass> grams)
    {
        _mixes++;
        var prefix = _mixes == 1 ? $"mix{_turn}" : $"mix-{_mixes}{_turn}";
        var (cement, label, kit) = (_job.Main, _job.Label, _job.Main.Kit!);
        var need = _job.Need(prefix, false, () => Ml(grams.G * coats / ofCoats / label.Density.GPerMl), "Cement for these coats ÷ density", Source.Arithmetic);
        _job.Sharable.Add(new SharableMix(prefix, cement.Id, null, false, need, null, null));
        if (_job.TakeFromShared(prefix, need))
        {
            (Mixed, _sinceMixedMin) = (prefix, Mixes.MixingMin);
            return;
        }

        var all = _job.ForAll(prefix, need);
        var (tin, vial) = (label.Says("kit-a", "Tin", Ml(kit.AMl)), label.Says("kit-b", "Vial", Ml(kit.BMl)));
        // Half a kit is the least that is measured well enough by eye against the tin; more than a kit is opened whole.
        var share = _job.Figure($"{prefix}.kits", "Share of the kit", () => InKits(Math.Max(0.5, Math.Ceiling(all.Ml / (tin.Ml + vial.Ml) * 2) / 2)),
            "Half the adhesive with half the curing agent, or more by halves; the rest keeps", Source.CommonPractice, 1);
        _job.Takes(cement, share);
        var a = _job.Figure($"{prefix}.part-a", "Adhesive", () => Ml(share.N * tin.Ml), "Share × tin", Source.Arithmetic, 1);
        var b = _job.Figure($"{prefix}.part-b", "Curing agent", () => Ml(share.N * vial.Ml), "Share × vial", Source.Arithmetic, 2);
        var life = _job.Figure($"{prefix}.pot-life", "Pot life", () => WallMin(_job.LifeClock(cement).RateAt(_job.Bench.C) is var rate and > 0 ? label.PotLife.CureMin / rate : 0),
            "Label's pot life ÷ rate at this temperature; a thin solvent cement does not heat its cup", EquivalentAge.Source);
        // The curing agent is a solution whose weight not every kit tells: where it does, the same is weighed.
        var weighed = cement.DensityBGPerMl is null ? ((Figure<Mass> A, Figure<Mass> B)?)null : (
            _job.Figure($"{prefix}.part-a-g", "Adhesive by weight", () => Grams(a.Ml * label.Density.GPerMl), "Volume × density", Source.Arithmetic, 1),
            _job.Figure($"{prefix}.part-b-g", "Curing agent by weight", () => Grams(b.Ml * label.DensityB.GPerMl), "Volume × density", Source.Arithmetic, 2));
        var (readA, readB) = weighed is { } grammes && _job.View.Case.Tools.Measure is ScaleDevice ? ((IFigure)grammes.A, (IFigure)grammes.B) : (a, b);
        TellCoarse(prefix, share, b);
        Message keeps = cement.ShelfLife is { } shelf ? (Message)$" It keeps {(int)shelf.OpenedMonths} months once opened." : Message.Empty;
        Message lasts = coats < ofCoats ? (Message)$" For {coats} of the {ofCoats} coats: those that come later have a mix of their own." : Message.Empty;
        _job.Do(prefix, Stage.Mix, _mixes == 1 ? "Mix it" : "Mix again: the first is past using by now",
            $"{readA} of adhesive and {readB} of curing agent in a clean tin{_job.Whom(prefix)}. Stir 30 to 60 seconds, scraping sides and bottom. Cap the rest at once.{keeps}{lasts}",
            Mixes.MixingMin, "Write the date on the tin that you opened.", cautions: [.. cement.Hazards], useWithin: life,
            pour: new Poured([share, a, b, .. weighed is { } both ? [both.A, both.B] : Array.Empty<IFigure>()], [readA, readB], Cup: new CupContents([new Ingredient(MixPart.Resin, readA.Id, weighed?.A.Id), new Ingredient(MixPart.Hardener, readB.Id, weighed?.B.Id, null, TolerancePercent, TolerancePercent)], NeededShare: CupHeat.NeededShare(all.Ml, share.N * (tin.Ml + vial.Ml)), Wholes: (int)Math.Round(share.N * 2))));
        (Mixed, _sinceMixedMin) = (prefix, Mixes.MixingMin);
    }

    /// <summary>How far a small volume is off with a device; what a scale reads to is off by half of its step.</summary>
    private double OffByMl(MeasuringDevice device) => device switch
    {
        CupDevice cup => cup.LineErrorMl,
        SyringeDevice syringe => syringe.GraduationMl / 2,
        PumpDevice pump => pump.StrokeMl,
        ScaleDevice scale => scale.StepG / 2 / (_job.Main.DensityBGPerMl ?? 1),
        _ => throw new ArgumentOutOfRangeException(nameof(device)),
    };

    /// <summary>A part of a vial on lines that are far too coarse for it: what to measure it with instead.</summary>
    private void TellCoarse(string prefix, Figure<Kits> share, Figure<Volume> b)
    {
        if (!_job.WantsWords || share.N % 1 == 0 || 95 * OffByMl(_job.View.Case.Tools.Measure) / b.Ml <= TolerancePercent)
        {
            return;
        }

        _job.Warnings.Add(new Warning("too-coarse", $"What you measure with cannot tell {b} of curing agent: draw it up in a syringe of {Ml(1)}, weigh it to {Grams(0.1)}, or mix a whole kit.", prefix));
    }
}
