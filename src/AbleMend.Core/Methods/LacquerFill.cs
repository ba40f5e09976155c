using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A scratch on a hard-coated tube: nothing proud, so that the seal is not cut. Burrs off, lacquer in, scraped flush, 2000 and 2500 wet.</summary>
internal sealed class LacquerFill : MendMethod
{
    /// <summary>How far a grit may be from the one that is wanted: anything coarser marks the coating. From memory.</summary>
    private const double NoCoarser = 1.15;

    public override string Id => "lacquer-fill";

    public override string Name => "Fill it with hard lacquer";

    public override string Why => "Nothing proud is left to cut the oil seal; looks do not count.";

    public override int Skill => 2;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Scratch];

    public override bool Takes(Material material) => material.Role == Role.Lacquer;

    protected override Message? Unfit(CaseView view) => OuterIs(view, "hard-coating") ? null : "It is for hard-coated tubes.";

    /// <summary>The lacquer lies in the coating, and on bare tube at the bottom of the scratch.</summary>
    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => view.Reach.Touched;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Clean();
        job.Do("razor", Stage.Prepare, "Straight razor at 45°, both ways: burrs off", "Flat and light: it takes burrs and does not mark the hard coating. Wipe the blade each stroke, clean again.", 4,
            "Wipe the blade each stroke: a chip under it makes the next scratch.", cautions: ["razor"], draws: ["cut"]);
        job.Do("feel", Stage.Prepare, "Feel round it: is anything proud?", "Cotton swab, both ways and round the tube. A fibre that catches is a burr that still stands: razor again. That a fingernail drops into the scratch is what the fill is for.", 1, "A burr that will not come off, or a dent: stop, it is for a suspension workshop.");
        job.Do("mask", Stage.Prepare, "Tape tight round the scratch", "As close as the eye allows.", 3, "Cover the seal and the bushing: no chip may fall in.", draws: ["tape"]);
        job.Takes(job.Main, job.Figure("fill.need", "Lacquer", Grams(0.1), "A few drops, drop by drop", Source.FromMemory("A few drops of lacquer"), 1));
        job.Do("fill", Stage.Apply, "Lacquer from a toothpick tip, standing proud", "Drop by drop, proud, since it sinks as it dries.", 3, "Proud: it sinks as it dries.", job.Sandable(job.Label, null), [.. job.Main.Hazards], ["fill"]);
        var (coarse, fine) = (job.Nearest("P2000", NoCoarser), job.Nearest("P2500", NoCoarser));
        var rubbing = Rung(job, coarse, null).WallMin + Rung(job, fine, coarse).WallMin;
        job.Do("flush", Stage.Finish, $"Scrape flush from both directions; {coarse.Label:as-is} then {fine.Label:as-is} wet", $"Take the tape off first: the razor lies flat on the tube. Flush from both directions, then {coarse.Label:as-is} and {fine.Label:as-is} wet, even pressure, along and round. Fingertip smooth is done.", Math.Ceiling(4 + rubbing),
            "Fingertip smooth is done: more only takes coating.", job.Loadable(job.Label, "fill"), ["razor"], ["finish"]);
        job.Prove("swab").Prove("fingernail");
        job.Draw(sketch => sketch.Section("fill", MarkKind.Fill, true, "lacquer, proud", (-job.HalfMm(), 0), (0, job.Depth.Mm), (job.HalfMm(), 0), (0, -0.05)));
        return job.End(job.Hurt, job.Around(4));
    }

    private static Figure<WallTime> Rung(Job job, Grit grit, Grit? before) =>
        job.Figure(before is null ? "sand.coarse" : "sand.fine", $"{grit.Label:as-is} wet", () => WallMin(GritLadder.Minutes(before, grit, Math.Max(job.Hurt.Area.Cm2, 1))), "Even pressure, wet, from both directions", Grit.Source);
}
