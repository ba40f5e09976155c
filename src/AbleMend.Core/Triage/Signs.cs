using AbleMend.Core.Cases;
using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;

namespace AbleMend.Core.Triage;

/// <summary>What triage sees of a damage.</summary>
internal static class Signs
{
    /// <summary>Whether a damage shows everything that a rule asks for.</summary>
    public static bool Show(TriageSigns asked, CaseView view)
    {
        var (damage, reach, item, construction) = (view.Damage, view.Reach, view.Case.Item, view.Construction);
        return OneOf(asked.Kinds, damage.Kind)
            && asked.KindsNot?.Contains(damage.Kind) != true
            && OneOf(asked.Causes, damage.Cause)
            && OneOf(asked.Gear, construction.Family)
            && OneOf(asked.Warranty, item.Warranty)
            && Same(asked.Silhouette, construction.Silhouette)
            && Same(asked.Permanence, view.Case.Wanted.Permanence)
            && (asked.LayerFamily is null || reach.Layers.Any(layer => layer.Substance.Families.Contains(asked.LayerFamily)))
            && (asked.OuterFamily is null || view.Outer.Families.Contains(asked.OuterFamily))
            && (asked.Places is null || asked.Places.Any(view.Location.Has))
            && Same(asked.Young, item.AgeMonths <= construction.WarrantyMonths)
            && Same(asked.AcrossWholeWidth, damage.AcrossWholeWidth)
            && Same(asked.CoreTouched, reach.Layers.Any(layer => layer.Touched && layer.Layer.Id == construction.CoreLayer))
            && Same(asked.FoamOpen, reach.FoamOpen)
            && Same(asked.HasFoam, reach.HasFoam)
            && Same(asked.ThroughBothFaces, reach.Layers.Count > 2 && reach.Layers[^1].Touched && reach.Layers[^1].Substance.Texture is Texture.Clear or Texture.Weave)
            && Same(asked.Wet, damage.Wet)
            && (asked.Located is null || damage.Located == asked.Located)
            && (asked.EdgeCatches is null || damage.EdgeCatches == asked.EdgeCatches)
            && (asked.FinRocks is null || damage.Fin?.Rocks == asked.FinRocks)
            && Same(asked.Pair, construction.Pair)
            && Same(asked.HoldsPressure, construction.PressureKpa is not null)
            && !(asked.DamagesAtLeast > Places(view).Sum(each => 1 + (each.Neighbours?.Count ?? 0)))
            && !(asked.AreaAboveMm2 >= view.Outline.AreaMm2)
            && (asked.AllAreaAboveCm2 is not { } area || AllAreaCm2(view) > area)
            && (asked.LengthAboveMm is not { } length || LongestMm(damage) > length)
            && (asked.CoreCutAbovePercent is not { } percent || CoreCutPercent(view) > percent)
            && (asked.CantDiffersByMoreDeg is not { } more || CantDiffersByDeg(damage) > more)
            && (asked.CantWithinDeg is not { } within || CantDiffersByDeg(damage) <= within);
    }

    /// <summary>What the text of a rule may speak of, as it was seen.</summary>
    public static IReadOnlyDictionary<string, Argument> Seen(CaseView view)
    {
        var seen = new Dictionary<string, Argument>
        {
            ["area in mm²"] = new MeasureArgument(view.Outline.AreaMm2, "mm²", 0),
            ["area of all"] = new MeasureArgument(AllAreaCm2(view), "cm²", 0),
            ["length"] = new MeasureArgument(LongestMm(view.Damage), "mm", 0),
            ["depth"] = new MeasureArgument(view.Damage.DepthMm, "mm", 2),
            ["age"] = new NumberArgument(view.Case.Item.AgeMonths ?? 0),
        };
        if (view.Damage.Fin is { } fin)
        {
            seen["cant"] = new MeasureArgument(fin.CantDeg, "°", 1);
            seen["twin's cant"] = new MeasureArgument(fin.TwinCantDeg, "°", 1);
        }

        return seen;
    }

    /// <summary>The longest of a damage and its neighbours, whichever way it lies.</summary>
    private static double LongestMm(Damage damage) =>
        (damage.Neighbours ?? []).Select(neighbour => neighbour.Shape).Prepend(damage.Shape).Select(shape => Outline.Of(shape)).Max(outline => Math.Max(outline.LengthMm, outline.WidthMm));

    /// <summary>How much of the layer that carries is cut through.</summary>
    private static double CoreCutPercent(CaseView view) =>
        view.Reach.Layers.FirstOrDefault(layer => layer.Layer.Id == view.Construction.CoreLayer) is { } core ? 100 * core.DepthIntoMm / core.Layer.ThicknessMm : 0;

    private static double? CantDiffersByDeg(Damage damage) => damage.Fin is { } fin ? Math.Abs(fin.CantDeg - fin.TwinCantDeg) : null;

    /// <summary>All damages of the one that is looked at: those of its mate are the mate's.</summary>
    private static IEnumerable<Damage> Places(CaseView view) => view.Case.Damages.Select(damage => damage.Seen).Where(damage => damage.OnMate == view.Damage.OnMate);

    private static double AllAreaCm2(CaseView view) => Places(view).Sum(damage => Outline.Of(damage.Shape, damage.Neighbours).AreaMm2) / 100;

    private static bool OneOf<T>(IReadOnlyList<T>? any, T seen) => any is null || any.Contains(seen);

    private static bool Same<T>(T? asked, T seen)
        where T : struct =>
        asked is not { } some || EqualityComparer<T>.Default.Equals(some, seen);
}
