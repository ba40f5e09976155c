using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Patches of sheet and cloth: how large, how much cement, how many coats, and the windows between them.</summary>
internal static class Cements
{
    /// <summary>Safety factor on a lap. From memory: what creep, heat and a careless face take together.</summary>
    public const double LapSafety = 4;

    /// <summary>Share of cement that stays in the brush and the cup, in percent. From memory.</summary>
    public const double WastePercent = 15;

    /// <summary>Margin past the hurt: the method's own, or what the load asks for, whichever is larger.</summary>
    /// <param name="list">The list.</param>
    /// <param name="leastMm">Least margin of the method in millimetres.</param>
    /// <param name="rule">Why that least.</param>
    public static double Margin(this StepList list, double leastMm, string rule)
    {
        var construction = list.View.Construction;
        if (construction is { PressureKpa: { } pressure, RadiusMm: { } radius } && list.Main.LapShearMpa is { } shear && list.View.Location.Has("airtight"))
        {
            var load = Lap.TubeLoadNPerMm(pressure, radius);
            var needed = Lap.NeededMm(load, shear, LapSafety);
            return list.Figure("patch.margin", "Patch reaches past the hole", Math.Max(leastMm, Math.Ceiling(needed)), "mm",
                $"{rule}; and no less than the lap that the load needs, L = SF·N/τ with N = p·r (p·t/2 for drop-stitch)",
                Source.Published("Membrane of a tube, mechanics textbook; lap shear as in ASTM D1002; strength and safety factor from memory"),
                [new("Least", leastMm, "mm"), new("Pressure", pressure, "kPa"), new("Radius or half thickness", radius, "mm"), new("Load N", load, "N/mm"),
                    new("Lap shear τ", shear, "MPa"), new("Safety factor", LapSafety, ""), new("Lap needed", needed, "mm")],
                decimals: 0);
        }

        return list.Figure("patch.margin", "Patch reaches past the hurt", leastMm, "mm", rule, Source.CommonPractice);
    }

    /// <summary>Cuts the patch from its stock, every corner round.</summary>
    /// <returns>The patch.</returns>
    public static Patch CutPatch(this StepList list, double marginMm, string how, double minutes = 5)
    {
        var stock = list.Inputs.Materials.Patch;
        var patch = PatchStack.Over(list.View.Outline, [stock?.Id ?? list.Main.Id], marginMm, 0, false)[0];
        list.Figure("patch.area", "Area of the patch", patch.AreaCm2, "cm²", "Outline of the hurt, grown by the margin with round corners",
            Source.Arithmetic, [new("Margin", marginMm, "mm"), new("Length", patch.LengthMm, "mm"), new("Width", patch.WidthMm, "mm")]);
        list.Do("cut-patch", Stage.Shape, $"Cut the patch{(stock is null ? "" : $" from {StepText.InSentence(stock.Name)}")}", how, minutes,
            "Round every corner: jagged or square corners peel.", cautions: ["blades"], draws: ["patches-dry"]);
        return patch;
    }

    /// <summary>Cement for both faces, mixed if it is a kit, laid in its coats with the tack of each, ready to close.</summary>
    /// <param name="list">The list.</param>
    /// <param name="areaCm2">Area of one face in cm².</param>
    /// <param name="where">What is coated, in words.</param>
    /// <param name="inSeam">Whether it is brushed inside a seam.</param>
    public static StepList Coats(this StepList list, double areaCm2, string where, bool inSeam = false)
    {
        var cement = list.Main;
        var coats = cement.Coats!.Value;
        var grams = Spread.BothFacesG(areaCm2, coats, cement.SpreadGPerM2!.Value) * (1 + (WastePercent / 100));
        grams = list.Figure("cement.need", "Cement", grams, "g", "Area × two faces × coats × one wet coat, and what stays in the brush",
            Source.FromMemory("Wet coat of the label and waste; the sum is arithmetic"),
            [new("Area", areaCm2, "cm²"), new("Coats", coats, ""), new("One wet coat", cement.SpreadGPerM2.Value, "g/m²"), new("Waste", WastePercent, "%")], 1);
        Fumes.Put(list.Inputs, "cement", cement, grams);
        if (cement.Kit is { } kit)
        {
            Mix(list, cement, kit, grams);
        }

        for (var coat = 1; coat <= coats; coat++)
        {
            var last = coat == coats;
            var id = coats == 1 ? "cement" : $"coat-{coat}";
            list.Do(id, Stage.Apply, coats == 1 ? $"Brush cement on {where}" : $"Coat {coat} of {coats} on {where}",
                $"Thin and even on both faces, just past the line{(inSeam ? ", right up inside" : "")}. {(last ? "Let it come to tack." : "Let it dry to the touch before the next.")}",
                3, coat == 1 ? "Both faces: cement on one face alone never holds." : null,
                Waits.Tack(list.View, cement, null), [.. cement.Hazards], ["glue"]);
        }

        return list;
    }

    private static void Mix(StepList list, Material cement, Kit kit, double grams)
    {
        var density = cement.DensityGPerMl!.Value;
        var whole = (kit.AMl + kit.BMl) * density;
        // Half a kit is the least that is measured well enough by eye against the tin; more than a kit is opened whole.
        var share = Math.Max(0.5, Math.Ceiling(grams / whole * 2) / 2);
        list.Figure("mix.kits", "Share of the kit", share, "kit", "Half the adhesive with half the curing agent, or more by halves; the rest keeps",
            Source.CommonPractice, [new("Needed", grams, "g"), new("Whole kit", whole, "g")], 1);
        var a = list.Figure("mix.part-a", "Adhesive", share * kit.AMl, "mL", "Share × tin", Source.Arithmetic, [new("Tin", kit.AMl, "mL")], 1);
        var b = list.Figure("mix.part-b", "Curing agent", share * kit.BMl, "mL", "Share × vial", Source.Arithmetic, [new("Vial", kit.BMl, "mL")], 2);
        var clock = Curing.CureClock.For(cement);
        var rate = clock.RateAt(list.View.Case.Bench.TemperatureC);
        var life = rate > 0 ? cement.Label!.PotLifeMin!.Value / rate : 0;
        life = list.Figure("mix.pot-life", "Pot life", life, "min", "Label's pot life ÷ rate at this temperature; a thin solvent cement does not heat its cup",
            Curing.EquivalentAge.Source, [new("Label", cement.Label!.PotLifeMin!.Value, "min"), new("Rate", rate, "×")]);
        list.Do("mix", Stage.Mix, "Mix it",
            $"{a:0.##} mL of adhesive and {b:0.##} mL of curing agent in a clean tin. Stir 30 to 60 s, scraping sides and bottom. Cap the rest at once: {cement.ShelfLife?.OpenedMonths:0} months once opened.",
            3, "Write the date on the tin that you opened.", cautions: [.. cement.Hazards], useWithin: life);
    }
}
