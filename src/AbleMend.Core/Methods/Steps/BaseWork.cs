using AbleMend.Core.Figures;
using AbleMend.Core.Finishing;
using AbleMend.Core.Timing;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What every repair of a ski base begins and ends with.</summary>
internal static class BaseWork
{
    /// <summary>Grit that roughs a wound and its rim. Common practice.</summary>
    public const string RoughGrit = "P80";

    /// <summary>Grit that levels, wet. Common practice.</summary>
    public const string LevelGrit = "P220";

    /// <summary>Cuts loose and overhanging base away, roughs, cleans.</summary>
    public static void OpenBase(this Job job, bool rim)
    {
        job.Dry();
        job.Do("cut", Stage.Shape, "Cut away loose and overhanging base", "Sharp blade, round corners, straight walls. Do every cut-out on the ski before the gun is hot.", 5,
            "Every cut-out on the ski first: one heat-up of the gun does them all.", cautions: ["blades"], draws: ["cut"]);
        job.Scuff(RoughGrit, rim ? "the damage and a rim of base" : "the damage", 3);
        var leaves = job.Constant("base.flash", "Base cleaner leaves in", WallMin(5), Source.FromMemory("Flash time of a base cleaner"));
        job.Do("blow", Stage.Prepare, "Blow or brush it out, wipe the wax off", "Brush, blow, wipe with base cleaner and let it leave: nothing holds on wax. Its tin shut and away, and no smell of it left, before anything hot comes near.", 3, "Wax: scrape and wipe it off, or nothing sticks.",
            Waits.ByTheClock(WaitKind.Flash, leaves, "Is it dry, with no smell left?", 2), ["solvent"]);
    }

    /// <summary>What is levelled round a fill.</summary>
    public static Field Levelled(this Job job, Field field) =>
        field.Grown("level", "Levelled", job.Constant("level.beyond", "Levelled beyond it", Mm(10), Source.FromMemory("How far a base is levelled round a fill")));

    /// <summary>Levels by the school chosen, waxes, and proves; the mate is done in the same way.</summary>
    /// <param name="job">The job.</param>
    /// <param name="field">What is levelled.</param>
    /// <param name="from">Step from which the weld cools.</param>
    public static Job LevelBase(this Job job, Field field, string from)
    {
        var grit = new PlannedGrit(job, "level.grit", "Last grit, wet", LevelGrit, $"{LevelGrit:as-is} wet on a flat block: dry leaves it furry");
        var rubbing = job.Figure("level.minutes", "Wet, by hand", () => WallMin(GritLadder.Minutes(null, grit.Grit, Math.Max(field.Area.Cm2, 5))), "Its share of the scraper's marks, by hand on a block", Grit.Source);
        var pair = job.View.Construction.Pair;
        if (job.View.School("base-finish") == "belt")
        {
            job.Do("level", Stage.Finish, pair ? "Belt it flush, and its mate" : "Belt it flush",
                "Shaping rasp for the worst, then belt or stone, light, the whole length. If you belt one ski, belt its mate.", 12,
                pair ? "Belt the mate too: a pair glides alike or it pulls." : "Keep it moving: a belt that stands burns the base.", draws: ["finish"]);
        }
        else
        {
            job.Do("level", Stage.Finish, $"Rasp, scrape, {grit} wet, pad, wax",
                $"Shaping rasp, then a freshly sharpened steel scraper at changing angles, then {grit} wet on a flat block, nylon pad, wax.", Math.Ceiling(12 + rubbing.WallMin),
                pair ? "Look at the mate: do both of a pair." : "Sharpen the scraper first: a blunt one tears the fill out.", draws: ["finish"]);
        }

        return job.Prove("straightedge", job.Loadable(job.Label, from)).Prove("fingernail");
    }
}
