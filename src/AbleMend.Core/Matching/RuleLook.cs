using AbleMend.Core.Catalogue;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Matching;

/// <summary>How each kind of rule looks at a system of method and resin.</summary>
internal static class RuleLook
{
    /// <summary>What a rule finds against a system; empty when it has nothing to say.</summary>
    public static IEnumerable<Finding> Look(this MatchRule rule, SystemUnderTest system) =>
        rule switch
        {
            AttacksRule each => Look(each, system),
            HoldsBadlyRule each => Look(each, system),
            BondsRule each => Look(each, system),
            TakesOnlyRule each => Look(each, system),
            NotAtRule each => Look(each, system),
            MovesWithRule each => Look(each, system),
            ServiceHeatRule each => Look(each, system),
            ToolsRule each => Look(each, system),
            CureTemperatureRule each => Look(each, system),
            HumidityRule each => Look(each, system),
            LiesFlatRule each => Look(each, system),
            LayerDepthRule each => Look(each, system),
            ReadyInTimeRule each => Look(each, system),
            LastingRule each => Look(each, system),
            SkillRule each => Look(each, system),
            InStockRule each => Look(each, system),
            InDateRule each => Look(each, system),
            _ => throw new ArgumentException($"No look is known for {rule.GetType().Name}.", nameof(rule)),
        };

    private static Finding Say(MatchRule rule, Weight weight, Message reason, Layer? layer = null) =>
        new(rule.Id, weight, reason.Told(), layer?.Id, layer is null ? null : Message.Parse(layer.Name), Message.Parse(rule.Source));

    private static IEnumerable<Finding> Look(AttacksRule rule, SystemUnderTest system) =>
        rule.Harms(system.Material, system.Touched, system.View.Reach) is { } layer ? [Say(rule, Weight.Veto, Message.Parse(rule.Reason), layer.Layer)] : [];

    private static IEnumerable<Finding> Look(HoldsBadlyRule rule, SystemUnderTest system)
    {
        if (!rule.Chemistries.Contains(system.Material.Chemistry))
        {
            return [];
        }

        var layer = system.Touched.FirstOrDefault(each => each.Substance.Families.Contains(rule.Family));
        var earlier = rule.Family == $"cured-{system.View.Case.Item.EarlierMend}";
        return layer is not null || earlier ? [Say(rule, Weight.Caution, Message.Parse(rule.Reason), layer?.Layer)] : [];
    }

    private static IEnumerable<Finding> Look(BondsRule rule, SystemUnderTest system) =>
        system.Touched
            .Where(layer => layer.Substance.Texture is not (Texture.Air or Texture.Threads) && !Bonds(system.Material, layer.Substance))
            .Take(1)
            .Select(layer => Say(rule, Weight.Veto, Message.Parse(rule.Reason), layer.Layer));

    private static bool Bonds(Material material, Substance substance) =>
        material.BondsTo.Contains(substance.Id) || substance.Families.Any(material.BondsTo.Contains);

    private static IEnumerable<Finding> Look(TakesOnlyRule rule, SystemUnderTest system) =>
        system.Touched.FirstOrDefault(layer => layer.Substance.Families.Contains(rule.Family)) is { } layer && !rule.Chemistries.Contains(system.Material.Chemistry)
            ? [Say(rule, Weight.Veto, Message.Parse(rule.Reason), layer.Layer)]
            : [];

    private static IEnumerable<Finding> Look(NotAtRule rule, SystemUnderTest system) =>
        rule.Chemistries.Contains(system.Material.Chemistry) && system.View.Location.Has(rule.Trait) ? [Say(rule, Weight.Veto, Message.Parse(rule.Reason))] : [];

    private static IEnumerable<Finding> Look(MovesWithRule rule, SystemUnderTest system)
    {
        var most = system.Touched.MaxBy(layer => layer.Substance.Movement);
        return most is null || system.Material.Flexibility >= most.Substance.Movement
            ? []
            : [Say(rule, most.Substance.Movement == Movement.Stretches ? Weight.Veto : Weight.Caution, Message.Parse(rule.Reason), most.Layer)];
    }

    private static IEnumerable<Finding> Look(ServiceHeatRule rule, SystemUnderTest system) =>
        system.Material.ServiceMaxC < system.View.Case.Wanted.HottestInUseC
            ? [Say(rule, Weight.Caution, $"{rule.Reason} It stands {Celsius(system.Material.ServiceMaxC.Value)}; the place gets {Celsius(system.View.Case.Wanted.HottestInUseC)}.")]
            : [];

    private static IEnumerable<Finding> Look(ToolsRule rule, SystemUnderTest system)
    {
        var missing = system.View.Case.Tools.Has is { } has ? system.Method.Needs.Where(need => !has.Contains(need)).ToList() : [];
        return missing.Count > 0 ? [Say(rule, Weight.ToBuy, $"{rule.Reason} {string.Join(", ", missing):as-is}.")] : [];
    }

    private static IEnumerable<Finding> Look(CureTemperatureRule rule, SystemUnderTest system)
    {
        var label = system.Material.Label!;
        var bench = system.View.Case.Bench;
        if (bench.TemperatureC < label.MinimumC || bench.TemperatureC > label.MaximumC)
        {
            return [Say(rule, Weight.Veto, $"{rule.Reason} It takes {Celsius(label.MinimumC)} to {Celsius(label.MaximumC)}; the bench is at {Celsius(bench.TemperatureC):0.0}.")];
        }

        return bench.NightTemperatureC is { } night && night < label.MinimumC
            ? [Say(rule, Weight.Caution, $"At night it stands still: it needs {Celsius(label.MinimumC)} and the bench falls to {Celsius(night):0.0}.")]
            : [];
    }

    private static IEnumerable<Finding> Look(HumidityRule rule, SystemUnderTest system)
    {
        var most = system.Material.Label!.MaximumHumidityPercent;
        return system.View.Case.Bench.RelativeHumidityPercent > most
            ? [Say(rule, Weight.Caution, $"{rule.Reason} Its label stops at {Percent(most)}.")]
            : [];
    }

    private static IEnumerable<Finding> Look(LiesFlatRule rule, SystemUnderTest system) =>
        rule.Methods.Contains(system.Method.Id) && !system.View.Location.Flat ? [Say(rule, Weight.Caution, Message.Parse(rule.Reason))] : [];

    private static IEnumerable<Finding> Look(LayerDepthRule rule, SystemUnderTest system) =>
        system.Material.Light is { } light && system.View.Damage.DepthMm > light.LayerMm
            ? [Say(rule, Weight.Caution, $"{rule.Reason} At most {Mm(light.LayerMm):0.0} a layer.")]
            : [];

    private static IEnumerable<Finding> Look(ReadyInTimeRule rule, SystemUnderTest system)
    {
        if (system.ReadyAt is not { } ready)
        {
            return [Say(rule, Weight.Veto, "At this bench it never gets there: too cold, too dry, or no light for it.")];
        }

        return ready > system.View.Case.Wanted.NeededBy ? [Say(rule, Weight.Caution, Message.Parse(rule.Reason))] : [];
    }

    private static IEnumerable<Finding> Look(LastingRule rule, SystemUnderTest system) =>
        system.Method.Permanence == Permanence.ForNow && system.View.Case.Wanted is { Permanence: Permanence.Lasting, Weights: not { Lasting: 0 } }
            ? [Say(rule, Weight.Caution, Message.Parse(rule.Reason))]
            : [];

    private static IEnumerable<Finding> Look(SkillRule rule, SystemUnderTest system) =>
        Math.Max(system.Method.Skill, system.Material.Skill) > system.View.Case.Wanted.Skill ? [Say(rule, Weight.Caution, Message.Parse(rule.Reason))] : [];

    private static IEnumerable<Finding> Look(InStockRule rule, SystemUnderTest system) =>
        system.View.Case.Shelf is { } shelf && shelf.All(entry => entry.Material != system.Material.Id)
            ? [Say(rule, Weight.ToBuy, Message.Parse(rule.Reason))]
            : [];

    private static IEnumerable<Finding> Look(InDateRule rule, SystemUnderTest system)
    {
        var tins = system.View.Case.Shelf?.Where(entry => entry.Material == system.Material.Id).ToList() ?? [];
        var today = DateOnly.FromDateTime(system.View.StartAt.UtcDateTime);
        return tins.Count > 0 && tins.All(tin => tin.LastDay(system.Material) < today) ? [Say(rule, Weight.Veto, Message.Parse(rule.Reason))] : [];
    }
}
