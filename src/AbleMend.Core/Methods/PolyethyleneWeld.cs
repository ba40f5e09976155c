using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A crack in a rotomoulded hull: ends stop-drilled, a V ground to two thirds of the wall, welded in passes with rod of the same polyethylene.</summary>
internal sealed class PolyethyleneWeld : MendMethod
{
    public override string Id => "polyethylene-weld";

    public override string Name => "Stop-drill and weld";

    public override string Why => "Polyethylene takes a weld; hardly any glue holds on it.";

    public override int Skill => 3;

    public override int Tidiness => 2;

    public override IReadOnlyList<string> Needs => ["welding-gun", "drill"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Crack, DamageKind.Hole, DamageKind.Scratch];

    public override bool Takes(Material material) => material is { Role: Role.Melt, Chemistry: "polyethylene" };

    protected override Message? Unfit(CaseView view) => OuterIs(view, "rotomoulded") ? null : "It is for rotomoulded polyethylene.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var share = job.Constant("groove.share", "Groove, of the wall", Percent(100 * 2.0 / 3), Source.FromMemory("Two thirds of the wall"), (10, 100));
        var depth = job.Figure("groove.depth", "Groove", () => Mm(Math.Min(job.Skin.Mm * share.Percent / 100, Math.Max(job.Depth.Mm, 1))), "Two thirds of the wall, no deeper than the damage", Source.CommonPractice, 1);
        job.Find().Dry();
        var drill = job.Figure("stop-drill.size", "Stop drill", Mm(4), "At both ends of the crack", Source.FromMemory("Size of the drill"), 1);
        job.Do("stop", Stage.Shape, "Stop-drill both ends, groove it to a V", $"{drill} at each end, past what you see. V to {depth} with a burr or scraper.", 10, "Drill past the end: a crack runs on from under the weld.", cautions: ["blades"], draws: ["stop", "cut"]);
        job.Scuff("P80", "groove and rim, just before welding", 3);
        var proud = job.Constant("weld.proud", "Cap stands proud", Mm(1.5), Source.FromMemory("How far the last bead stands proud"));
        var (passes, left) = Weld(job, depth, proud);
        job.Do("weld", Stage.Apply, $"Tack the ends, then {passes} passes", "Heat rod and groove together until both shine, press the rod in as it melts; do not stir. Let each pass go dull before the next. Same plastic as the hull: try a scrap.", 6 * passes.N,
            "Try rod and hull on a scrap: what peels off cold is another plastic.", job.Cooled(job.Label), [.. job.Main.Hazards], ["beads"]);
        job.Do("level", Stage.Finish, "Scrape the cap down, not flush", $"Sharp scraper; leave {left}: flush has lost its strength.", 5, "Leave the cap: flush has lost its strength.", job.Loadable(job.Label, "weld"), ["blades"], ["finish"]);
        job.Prove("thumb").Prove("inside-wet");
        job.Draw(sketch => DrawWeld(sketch, job.HalfMm(), job.Skin.Mm, depth.Mm, drill.Mm / 2, passes.N));
        return job.End(job.Hurt, job.Around(10));
    }

    private static (Figure<Count> Passes, Figure<Length> Left) Weld(Job job, Figure<Length> depth, Figure<Length> proud)
    {
        var rod = job.Constant("weld.rod-size", "Rod", Mm(4), Source.FromMemory("Size of the rod"));
        var rodSection = job.Figures.Work("weld.rod-section", "Section of the rod", () => Mm2(Math.PI * rod.Mm * rod.Mm / 4), "π·d²/4", Source.Published("Solid geometry, textbook"), 1);
        var section = job.Figures.Work("weld.section", "Section of the weld", () => Mm2((depth.Mm * depth.Mm * Math.Tan(Math.PI / 6)) + (proud.Mm * depth.Mm)), "A 60° V and its proud cap", Source.Published("Solid geometry, textbook"), 1);
        var passes = job.Figure("weld.passes", "Passes", () => Count(Math.Max(1, Math.Ceiling(section.Mm2 / rodSection.Mm2))), "Section of a 60° V and its proud cap ÷ section of the rod", Source.Published("Solid geometry, textbook"), between: (1, 40));
        var ends = job.Constant("weld.ends", "For the ends", Percent(10), Source.FromMemory("Rod for the ends"), (0, 100));
        job.Takes(job.Main, job.Figure("weld.rod", "Rod", () => Mm(passes.N * job.Hurt.Length.Mm * (1 + (ends.Percent / 100))), "Passes × length, and a tenth for the ends", Source.Arithmetic));
        var left = job.Figure("weld.left", "Leave standing", Mm(0.5), "Flush has lost its strength", Source.CommonPractice, 1);
        return (passes, left);
    }

    private static void DrawWeld(Sketch sketch, double half, double wall, double depth, double drill, double passes)
    {
        sketch.Section("stop", MarkKind.Drill, true, "stop hole", (half - drill, 0), (half + drill, 0), (half + drill, wall), (half - drill, wall))
            .Section("stop", MarkKind.Drill, true, null, (-half - drill, 0), (-half + drill, 0), (-half + drill, wall), (-half - drill, wall))
            .Section("cut", MarkKind.Cut, true, "V", (-half, 0), (0, depth), (half, 0));
        for (var pass = 1; pass <= (int)passes; pass++)
        {
            var (y, wide) = (depth * (1 - (pass / passes)), half * pass / passes);
            sketch.Section("beads", MarkKind.Bead, true, $"{pass}", (-wide, y - 1), (wide, y - 1), (wide * 0.6, y + 1), (-wide * 0.6, y + 1));
        }
    }
}
