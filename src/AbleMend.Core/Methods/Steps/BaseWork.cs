using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods.Steps;

/// <summary>What every repair of a ski base begins and ends with.</summary>
internal static class BaseWork
{
    /// <summary>Grit that roughs a wound and its rim. Common practice.</summary>
    public const string RoughGrit = "P80";

    /// <summary>Grit that levels, wet. Common practice.</summary>
    public const string LevelGrit = "P220";

    /// <summary>Cuts loose and overhanging base away, roughs, cleans.</summary>
    public static void Open(StepList list, bool rim)
    {
        list.Dry();
        list.Do("cut", Stage.Shape, "Cut away loose and overhanging base", "Sharp blade, round corners, straight walls. Do every cut-out on the ski before the gun is hot.", 5,
            "Every cut-out on the ski first: one heat-up of the gun does them all.", cautions: ["blades"], draws: ["cut"]);
        list.Scuff(RoughGrit, rim ? "the wound and a rim of base" : "the wound", 3);
        list.Do("blow", Stage.Prepare, "Blow or brush it out, wipe the wax off", "Brush, blow, wipe with base cleaner and let it flash: nothing holds on wax.", 3, "Wax: scrape and wipe it off, or nothing sticks.");
    }

    /// <summary>Levels by the school chosen, waxes, and proves; the mate is done in the same way.</summary>
    /// <param name="list">The list.</param>
    /// <param name="areaCm2">Area to level in cm².</param>
    /// <param name="from">Step from which the weld cools.</param>
    public static void Level(StepList list, double areaCm2, string from)
    {
        var grit = Ground.NearestGrit(list.View.Drawer, LevelGrit);
        list.Figure("level.grit", "Last grit, wet", grit.Grade, "P", "220 wet on a flat block: dry leaves it furry", Source.CommonPractice, [new("Median particle", grit.MedianUm, "µm")]);
        list.Figure("level.minutes", $"{grit.Label} wet", GritLadder.Minutes(null, grit, Math.Max(areaCm2, 5)), "min", "Its share of the scraper's marks, by hand on a block", Grit.Source, [new("Area", areaCm2, "cm²")]);
        if (list.View.School("base-finish") == "belt")
        {
            list.Do("level", Stage.Finish, list.View.Construction.Pair ? "Belt it flush, and its mate" : "Belt it flush",
                "Shaping rasp for the worst, then belt or stone, light, the whole length. If you belt one ski, belt its mate.", 12,
                list.View.Construction.Pair ? "Belt the mate too: a pair glides alike or it pulls." : "Keep it moving: a belt that stands burns the base.", draws: ["finish"]);
        }
        else
        {
            list.Do("level", Stage.Finish, "Rasp, scrape, 220 wet, pad, wax",
                $"Shaping rasp, then a freshly sharpened steel scraper at changing angles, then {grit.Label} wet on a flat block, nylon pad, wax.", 15,
                list.View.Construction.Pair ? "Look at the mate: do both of a pair." : "Sharpen the scraper first: a blunt one tears the fill out.", draws: ["finish"]);
        }

        list.Prove("straightedge", Waits.Loadable(list.View, list.Main, from)).Prove("fingernail");
    }
}
