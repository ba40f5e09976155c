using AbleMend.Core.Figures;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>A patch as it is cut: its layer on the template, with its measures as figures.</summary>
/// <param name="Field">Its outline.</param>
/// <param name="Layers">The layers, in the order in which they are laid.</param>
internal sealed record PlannedPatch(Field Field, Derived<IReadOnlyList<Patch>> Layers)
{
    /// <value>Half its length in millimetres.</value>
    public double HalfMm => Field.Length.Mm / 2;
}

/// <summary>Patches of sheet and cloth: how large, how much cement, how many coats, and the windows between them.</summary>
internal static class Cements
{
    /// <summary>Margin past the damage: the method's own, or what the load asks for, whichever is larger.</summary>
    /// <param name="job">The job.</param>
    /// <param name="least">Least margin of the method.</param>
    /// <param name="rule">Why that least.</param>
    public static Figure<Length> Margin(this Job job, Figure<Length> least, Message rule)
    {
        var construction = job.View.Construction;
        if (construction is not { PressureKpa: { } pressure, RadiusMm: { } radius } || job.Main.LapShearMpa is null || !job.View.Location.Has("airtight"))
        {
            return job.Figure("patch.margin", "Patch reaches past the damage", () => least.Value, rule, Source.CommonPractice, 1);
        }

        var source = Source.OfEntry(construction.Source);
        var p = job.Figures.Fact("item.pressure", "Working pressure of the construction", Kpa(pressure), source);
        var r = job.Figures.Fact("item.radius", "Radius, or half the thickness", Mm(radius), source);
        var safety = job.Constant("lap.safety", "Safety factor", Times(4), Source.FromMemory("What creep, heat and a careless face take together"), (1, 100));
        var load = job.Figures.Work("lap.load", "Load N", () => NPerMm(Lap.TubeLoadNPerMm(p.Kpa, r.Mm)), "Membrane of a tube, N = p·r; p·t/2 for drop-stitch", Source.Published("Membrane of a tube, mechanics textbook"), 2);
        var needed = job.Figures.Work("lap.needed", "Lap needed", () => Mm(Lap.NeededMm(load.NPerMm, job.Label.LapShear.Mpa, safety.Times)), "L = SF·N/τ", Source.Published("Lap shear as in ASTM D1002"), 1);
        return job.Figure("patch.margin", "Patch reaches past the hole", () => Mm(Math.Max(least.Mm, Math.Ceiling(needed.Mm))),
            $"{rule}; and no less than the lap that the load needs", Source.CommonPractice, 1);
    }

    /// <summary>The least margin of a method.</summary>
    public static Figure<Length> LeastMargin(this Job job, double mm, Source source) => job.Constant("patch.least", "Margin at least", Mm(mm), source);

    /// <summary>Cuts the patch from its stock, every corner round.</summary>
    /// <param name="job">The job.</param>
    /// <param name="margin">How far it reaches past the damage.</param>
    /// <param name="how">How it is cut.</param>
    /// <param name="minutes">Minutes by hand.</param>
    /// <param name="inside">How much further an inside patch reaches; null where there is none.</param>
    /// <param name="ofItself">Whether what holds is itself the cloth, and is cut.</param>
    public static PlannedPatch CutPatch(this Job job, Figure<Length> margin, Message how, double minutes = 5, Figure<Length>? inside = null, bool ofItself = false)
    {
        var stock = ofItself ? job.Main : job.Materials.Patch;
        var field = job.Hurt.Grown("patch", "Patch", margin);
        var layers = job.Derive(() => PatchStack.Over(job.Hurt.Shape, [.. Enumerable.Repeat(stock?.Id ?? job.Main.Id, inside is null ? 1 : 2)], margin.Mm, inside?.Mm ?? 0, false));
        job.Takes(stock ?? job.Main, field.Area);
        var from = stock is null ? Message.Empty : $" from {stock.Name:inside}";
        job.Do("cut-patch", Stage.Shape, inside is null ? (Message)$"Cut the patch{from}" : $"Cut both patches{from}", how, minutes, "Round every corner: jagged or square corners peel.",
            cautions: ["blades"], draws: ["patches-dry"], shows: [field.Length, field.Width, field.Area]);
        return new PlannedPatch(field, layers);
    }

    /// <summary>Cement for both faces, mixed if it is a kit, laid in its coats with the tack of each, ready to close.</summary>
    /// <param name="job">The job.</param>
    /// <param name="area">Area of one face.</param>
    /// <param name="where">What is coated, in words.</param>
    /// <param name="inSeam">Whether it is brushed inside a seam.</param>
    /// <param name="turn">Which time it is done: empty for the first, <c>-inside</c> for the inside of what is coated on both sides.</param>
    public static Job Coats(this Job job, Figure<Area> area, Message where, bool inSeam = false, string turn = "")
    {
        var (cement, label) = (job.Main, job.Label);
        var waste = job.Constant("cement.waste", "Waste", Percent(15), Source.FromMemory("Share of cement that stays in the brush and the cup"), (0, 200));
        var grams = job.Figure($"cement{turn}.need", "Cement", () => Grams(Spread.BothFacesG(area.Cm2, (int)label.Coats.N, label.Spread.GPerM2) * (1 + (waste.Percent / 100))),
            "Area × two faces × coats × one wet coat, and what stays in the brush", Source.Arithmetic, 1);
        Fumes.Put(job, $"cement{turn}", cement, grams);
        if (cement.Kit is null)
        {
            job.Takes(cement, grams);
        }

        var (coats, kit) = (cement.Coats!.Value, new KitMix(job, turn));
        for (var coat = 1; coat <= coats; coat++)
        {
            var fresh = kit.For(coat, coats, grams);
            var last = coat == coats;
            Message inside = inSeam ? ", right up inside" : Message.Empty;
            Message then = last ? "Let it come to tack." : "Let it dry to the touch before the next.";
            job.Do(coats == 1 ? $"cement{turn}" : $"coat-{coat}{turn}", Stage.Apply, coats == 1 ? (Message)$"Brush cement on {where}" : $"Coat {coat} of {coats} on {where}",
                $"Thin and even on both faces, just past the line{inside}. {then}",
                CoatMin, coat == 1 ? "Both faces: cement on one face alone never holds." : null, job.Tack(label, null), [.. cement.Hazards], ["glue"], follows: fresh, uses: kit.Mixed);
        }

        return job;
    }

    /// <summary>Minutes to brush a coat on both faces. From memory.</summary>
    public const double CoatMin = 3;
}
