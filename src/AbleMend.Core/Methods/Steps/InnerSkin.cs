using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Quantities;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>The second skin of a sandwich, under its sheet of foam: cut through it carries nothing, so it is given back before anything is filled over it.</summary>
internal static class InnerSkin
{
    /// <summary>The inner skin where the damage goes into it; null where there is none or it is whole.</summary>
    public static ReachedLayer? Broken(CaseView view) =>
        view.Reach.Touched.SkipWhile(layer => !layer.Substance.Families.Contains("foam")).FirstOrDefault(layer => layer.Substance.Families.Contains("laminate"));

    /// <summary>Outer skin and sheet foam are cut back past the hole in the inner skin, so that its patch has something to lap on.</summary>
    public static Field CutBack(Job job, Field hole) =>
        hole.Grown("cut-back", "Cut back to the inner skin", job.Figure("inner.lap", "Inner patch laps on its skin by", Mm(20), "Outer skin and sheet foam come off that far round the hole, down to the inner skin", Source.FromMemory("Lap of a thin skin inside a sandwich"), 1));

    /// <summary>Fills the core up to the inner skin and gives that back, ply for ply.</summary>
    /// <param name="job">The job.</param>
    /// <param name="hole">Hole in the inner skin.</param>
    /// <param name="cut">What is cut back above it.</param>
    /// <param name="skin">The inner skin.</param>
    /// <returns>What is left to fill over it: its depth, and its volume in mL.</returns>
    public static (Figure<Length> Depth, Derived<double> Ml) GiveBack(Job job, Field hole, Field cut, ReachedLayer skin)
    {
        var top = job.Figures.Fact("item.inner-skin", $"{skin.Layer.Name}: lies under", Mm(skin.TopMm), Source.OfEntry(job.View.Construction.Source));
        var thick = job.Figures.Fact("item.inner-skin-thickness", $"{skin.Layer.Name}: thickness", Mm(skin.Layer.ThicknessMm), Source.OfEntry(job.View.Construction.Source));
        Core(job, hole, job.Derive(() => Math.Max(0, job.Depth.Mm - top.Mm - thick.Mm)));
        Lay(job, cut, thick);
        return (job.Figures.Work("fill.over", "Left over the inner skin", () => top.Value, "As deep as it lies", Source.Arithmetic, 1), job.Derive(() => cut.Area.Cm2 * top.Mm / 10));
    }

    private static void Core(Job job, Field hole, Derived<double> depthMm)
    {
        var loss = job.CupLoss();
        var need = job.Need("core", true, () => Ml((hole.Area.Cm2 * depthMm.Value / 10) + loss.Ml), "Hole × depth of core under the inner skin + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("core", "Mix the fill for the core", "then the filler until it stands", need, job.SpreadingTime("core", 5), job.Materials.Filler, false));
        job.Do("core", Stage.Apply, "Fill the core up to the inner skin", "Press it in and draw it off level with the inner skin, not over it.", 5, "Level: a lump under the inner skin is a lump in the deck.",
            job.Sandable(job.Label, "core-mix"), draws: ["fill"], follows: true);
    }

    private static void Lay(Job job, Field cut, Figure<Length> thick)
    {
        var ply = job.LabelOf(job.Materials.Cloth).Ply;
        var plies = job.Figure("inner.plies", "Plies of the inner skin", () => Count(Math.Max(1, Math.Ceiling(Math.Round(thick.Mm / ply.Mm, 6)))), "Thickness of the inner skin ÷ thickness of a ply, rounded up", Source.Arithmetic, between: (1, 20));
        var area = job.Figure("inner.area", "Cloth for the inner skin", () => Cm2(plies.N * cut.Area.Cm2), "Plies × what is cut back", Source.Arithmetic);
        job.Takes(job.Materials.Cloth, area);
        job.Do("inner-key", Stage.Prepare, "Key the inner skin and the fill in it", $"{job.BlushFirst()}Coarse grit over the inner skin all round and over the fill, cut its cloth to the opening, {plies} deep, blow it out, wipe the inside rim, let it flash.", 8,
            "The inner skin is prepared as the outer is.", job.FlashAgain(), ["resin-dust", "glass-dust"], shows: [plies, area]);
        var work = job.LayingTime("inner", 4, area);
        job.Mix(new MixOrder("inner", "Mix the resin for the inner skin", "to wet the inner skin", job.WettingOut("inner", area), work, null, false));
        job.Do("inner", Stage.Apply, "Lay the inner skin", "Wet the rim and the fill, lay the cloth, draw the resin through, no bubble.", Math.Ceiling(work.WallMin), "Fibre as the old skin ran.",
            job.Sandable(job.Label, "inner-mix"), draws: ["patch-1"], follows: true);
        job.Do("inner-dull", Stage.Prepare, "Key the inner skin for the fill", $"{job.BlushFirst()}Coarse grit until it is dull, blow it out, wipe it, let it flash.", 4, null, job.FlashAgain(), ["resin-dust", "glass-dust"]);
    }
}
