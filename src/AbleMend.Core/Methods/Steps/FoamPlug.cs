using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Quantities;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>A plug of foam for a hole that would swallow cup after cup of filled resin: it is lighter, stays cool and does not sink.</summary>
internal static class FoamPlug
{
    /// <summary>Volume from which a plug is worth cutting, in mL. From memory.</summary>
    public const double WorthItMl = 60;

    /// <summary>Whether this hole is plugged: large enough, not round a fin box, and bedded in what sets without light.</summary>
    public static bool Fits(Job job, Figure<Volume> cavity) =>
        cavity.Ml > WorthItMl && job.Main.Cure != CureKind.Light && job.Damage.Kind != DamageKind.FinBoxSurround && job.View.School("deep-hole") == "plug";

    /// <summary>Shapes the plug, before anything is wiped: foam dust lies everywhere.</summary>
    public static void Shape(Job job)
    {
        var (gap, under, high) = Measures(job);
        job.Do("plug", Stage.Shape, "Cut a plug of foam", $"Square the walls of the hole. From foam of the core's own kind (buy an offcut where there is none) cut a plug {high} high that slides in with {gap} all round. Try it dry, then blow the dust out.", 15,
            "Mark which way it goes in.", cautions: ["blades"], draws: ["fill"], shows: [under]);
    }

    /// <summary>Beds the plug.</summary>
    /// <returns>What is left to fill over it: its depth, and its volume in mL.</returns>
    public static (Figure<Length> Depth, Derived<double> Ml) Bed(Job job, Field cut)
    {
        var (gap, under, high) = Measures(job);
        var loss = job.CupLoss();
        var need = job.Need("bed", true, () => Ml((((cut.Area.Cm2 * 100) + (2 * (cut.Length.Mm + cut.Width.Mm) * high.Mm)) * gap.Mm / 1000) + loss.Ml),
            "(Floor + walls of the hole) × gap + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("bed", "Mix the bed for the plug", "then the filler until it stands", need, job.SpreadingTime("bed", 6), job.Materials.Filler, false));
        job.Do("plug-in", Stage.Apply, "Bed the plug", "Butter hole and plug, press it in until it squeezes out all round, weight it down under release film, scrape the squeeze-out off.", 6,
            "Turn it as it goes in: trapped air floats it up.", job.Sandable(job.Label, "bed-mix"), [.. job.Main.Hazards], ["fill"], follows: true);
        job.Do("plug-key", Stage.Prepare, "Key the plug and its rim", $"{job.BlushFirst()}Coarse grit over plug, squeeze-out and walls, blow it out, wipe the rim and let it flash.", 6, "The plug lies under the skin: sand it down where it does not.",
            job.FlashAgain(), ["resin-dust"]);
        var half = cut.Length.Mm / 2;
        job.Draw(sketch => sketch.Section("fill", MarkKind.Patch, true, "foam plug", (-half + gap.Mm, under.Mm), (half - gap.Mm, under.Mm), (half - gap.Mm, job.Depth.Mm - gap.Mm), (-half + gap.Mm, job.Depth.Mm - gap.Mm)));
        return (under, job.Derive(() => cut.Area.Cm2 * under.Mm / 10));
    }

    private static (Figure<Length> Gap, Figure<Length> Under, Figure<Length> High) Measures(Job job)
    {
        if (job.Figures.Find("plug.gap") is Figure<Length> known)
        {
            return (known, (Figure<Length>)job.Figures.Find("plug.under")!, (Figure<Length>)job.Figures.Find("plug.height")!);
        }

        var gap = job.Figure("plug.gap", "Gap round it", Mm(1), "Enough for the thickened resin to stand in", Source.FromMemory("Glue line of a foam plug"), 1);
        var under = job.Figure("plug.under", "Stands under the skin by", Mm(3), "Room for a skin of fill that can be faired", Source.FromMemory("Skim over a foam plug"), 1);
        return (gap, under, job.Figure("plug.height", "Plug", () => Mm(Math.Max(job.Depth.Mm - under.Mm, 1)), "Depth less the skim over it", Source.Arithmetic, 1));
    }
}
