using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A scratch on a hard-coated tube: nothing proud, so that the seal is not cut. Burrs off, lacquer in, scraped flush, 2000 and 2500 wet.</summary>
public sealed class LacquerFill : MendMethod
{
    public override string Id => "lacquer-fill";

    public override string Name => "Fill it with hard lacquer";

    public override string Why => "Nothing proud is left to cut the oil seal; looks do not count.";

    public override int Skill => 2;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Scratch];

    public override bool Takes(Material material) => material.Role == Role.Lacquer;

    protected override string? Unfit(CaseView view) => OuterIs(view, "hard-coating") ? null : "It is for hard-coated tubes.";

    /// <summary>The lacquer lies in the coating, and on bare tube at the bottom of the scratch.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => view.Reach.Touched;

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        list.Clean();
        list.Do("razor", Stage.Prepare, "Straight razor at 45°, both ways: burrs off", "Flat and light: it takes burrs and does not mark the hard coating. Wipe the blade each stroke, clean again.", 4,
            "Wipe the blade each stroke: a chip under it makes the next scratch.", cautions: ["razor"], draws: ["cut"]);
        list.Do("feel", Stage.Prepare, "Does the edge still catch?", "Fingernail and cotton swab, both ways. If it still catches, stop: it is for a suspension workshop.", 1, "If it catches now it cuts the seal later: refer it.");
        list.Do("mask", Stage.Prepare, "Tape tight round the scratch", "As close as the eye allows.", 3, "Cover the seal and the bushing: no chip may fall in.", draws: ["tape"]);
        list.Do("fill", Stage.Apply, "Lacquer from a toothpick tip, standing proud", "Drop by drop, proud, since it sinks as it dries.", 3, "Proud: it sinks as it dries.", Waits.Sandable(list.View, list.Main, null), [.. list.Main.Hazards], ["fill"]);
        var last = default(Grit);
        foreach (var wanted in new[] { "P2000", "P2500" })
        {
            var grit = Ground.NearestGrit(list.View.Drawer, wanted);
            if (grit.MedianUm > 12)
            {
                list.Warnings.Add(new Warning("gap-in-drawer", $"{wanted} is not in the drawer: buy it. Anything coarser marks the coating.", "flush"));
            }

            list.Figure($"sand.{wanted.ToLowerInvariant()}", $"{wanted} wet", GritLadder.Minutes(last, Grit.TryParse(wanted)!, 1), "min", "Even pressure, wet, from both directions", Grit.Source, [new("Median particle", Grit.TryParse(wanted)!.MedianUm, "µm")]);
            last = Grit.TryParse(wanted)!;
        }

        list.Do("flush", Stage.Finish, "Scrape flush from both directions; 2000 then 2500 wet", "Razor flush from both directions, then 2000 and 2500 wet, even pressure, along and round. Fingertip smooth is done.", 8,
            "Fingertip smooth is done: more only takes coating.", Waits.Loadable(list.View, list.Main, "fill"), ["razor"], ["finish"]);
        list.Prove("swab").Prove("fingernail");
        list.Section("fill", MarkKind.Fill, true, "lacquer, proud", (-list.HalfMm(), 0), (0, list.Damage.DepthMm), (list.HalfMm(), 0), (0, -0.05));
        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
