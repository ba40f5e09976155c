using AbleMend.Core.Curing;
using AbleMend.Core.Materials;
using AbleMend.Core.Timing;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What may stand in a warm box or corner while it sets, and how warm. Common practice, no source; the figures from memory.</summary>
internal static class WarmCorner
{
    /// <summary>Warmer than that, what was glued warm pulls apart as it cools, and no hand rests on it.</summary>
    private const double MostC = 45;

    /// <summary>So much below what softens it an item keeps its shape while it lies.</summary>
    private const double MarginK = 15;

    /// <summary>Resin that lies deeper heats itself.</summary>
    private const double DeepMm = 6;

    /// <summary>How warm a wait may stand.</summary>
    /// <param name="job">The job.</param>
    /// <param name="material">What sets.</param>
    /// <param name="kind">What is waited for.</param>
    /// <returns>Null where warmth does not drive it, and for a wait that closes: it would close the sooner.</returns>
    public static WarmLimit? LimitOf(Job job, Material material, WaitKind kind)
    {
        if (kind is not (WaitKind.Hold or WaitKind.Sandable or WaitKind.Loadable) || CureClock.For(material).ActivationKjPerMol == 0)
        {
            return null;
        }

        var reach = job.View.Reach;
        var isFresh = kind != WaitKind.Loadable && material.Role != Role.Cement && material.Cure is CureKind.TwoPart or CureKind.Catalysed;
        return isFresh && reach.HasFoam ? new WarmLimit(null, "Not into the warm before it is hard: the air in the foam under it swells, and blows bubbles.")
            : isFresh && job.View.Damage.DepthMm > DeepMm ? new WarmLimit(null, "Not into the warm before it is hard: resin that lies so deep heats itself.")
            : Softest(reach) is { Substance.SoftensAtC: { } softens } layer && softens - MarginK < MostC
                ? new WarmLimit(softens - MarginK, $"Up to {Celsius(softens - MarginK)}: {layer.Layer.Name} softens from {Celsius(softens)}.")
            : new WarmLimit(MostC, $"Up to {Celsius(MostC)}: what sets warmer pulls as it cools.");
    }

    private static Gear.ReachedLayer? Softest(Gear.Reach reach) => reach.Layers.Where(layer => layer.Substance.SoftensAtC is not null).MinBy(layer => layer.Substance.SoftensAtC);
}
