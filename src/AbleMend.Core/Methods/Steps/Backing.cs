using AbleMend.Core.Figures;
using AbleMend.Core.Quantities;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>
/// A backing for a hole that is reached from outside only: two plies laid up on film, passed in through the hole, glued to the
/// inside and left there as its inner face. Resin laid over nothing sags, and one face alone carries half.
/// </summary>
internal static class Backing
{
    private const int Plies = 2;

    /// <summary>Lays it up and glues it in, each with a mix of its own, for the second waits for the first.</summary>
    public static void Set(Job job)
    {
        job.Do("open", Stage.Prepare, "Cut the hole clean", "Saw or grind off what is loose or white, every corner round. Feel the inside for cracks that run on.", 8, "Tap round it: the laminate has parted further than you see.", cautions: ["glass-dust", "grinder"]);
        var lap = job.Figure("backing.lap", "Backing reaches past the hole by", Mm(25), "Enough to be glued to the inside all round", Source.FromMemory("Lap of a backing"), 1);
        var field = job.Hurt.Grown("backing", "Backing", lap);
        var rim = job.Figure("backing.rim", "Inside rim to glue", () => Cm2(field.Area.Cm2 - job.Hurt.Area.Cm2), "Backing less the hole", Source.Arithmetic, 1);
        LayUp(job, field);
        GlueIn(job, lap, rim);
    }

    private static void LayUp(Job job, Field field)
    {
        var area = job.Figure("backing.cloth", "Cloth for the backing", () => Cm2(Plies * field.Area.Cm2), "Two plies of the backing", Source.Arithmetic);
        var work = job.LayingTime("backing", 8, area);
        job.Mix(new MixOrder("backing", "Mix the resin for the backing", "for the backing", job.WettingOut("backing", area), work, null, false));
        job.Takes(job.Materials.Cloth, area);
        job.Do("backing", Stage.Shape, "Lay up the backing", "Two plies on release film, over the waxed hull beside the hole so that they take its curve. Film over, smooth.", Math.Ceiling(work.WallMin), "It has to bend through the hole: not more than two plies.",
            job.Sandable(job.Label, "backing-mix"), follows: true, shows: [area]);
    }

    private static void GlueIn(Job job, Figure<Length> lap, Figure<Area> rim)
    {
        var coat = job.Constant("backing.coat", "Thickened resin on the rim", Mm(1), Source.FromMemory("Enough to bed the backing"));
        var loss = job.CupLoss();
        var grit = job.Grit("backing.grit", "Key the inside with", "P60");
        job.Do("backing-rim", Stage.Prepare, "Key the inside rim, wipe it", $"Wash the backing with water and a pad, dry it, trim it, put two strings through its middle. Reach in through the hole: {grit} on the inside all round and on the face of the backing, wipe both with the solvent, let it leave.", 10,
            "The inside is prepared as the outside is.", cautions: ["glass-dust", "solvent"]);
        var need = job.Need("bed", true, () => Ml((rim.Cm2 * coat.Mm / 10) + loss.Ml), "Rim × coat + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("bed", "Mix the resin that beds it", "then the thickener until it stands", need, job.SpreadingTime("bed", 6), job.Materials.Filler, false));
        job.Do("bed", Stage.Apply, "Bed the backing inside", "Butter its rim, bend it in through the hole, pull it up by the strings and tie them over a stick across the hole. Look for squeeze-out all round.", 6,
            "Tight until it has set: a gap behind the rim opens again.", job.Sandable(job.Label, "bed-mix"), draws: ["backing"], follows: true);
        job.Draw(sketch =>
        {
            var (half, wall) = (job.HalfMm() + lap.Mm, job.Depth.Mm);
            sketch.Section("backing", MarkKind.Patch, true, null, (-half, wall + 0.2), (half, wall + 0.2), (half, wall + 1.4), (-half, wall + 1.4));
        });
    }
}
