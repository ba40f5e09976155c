using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A crack in a rotomoulded hull: ends stop-drilled, a V ground to two thirds of the wall, welded in passes with rod of the same polyethylene.</summary>
public sealed class PolyethyleneWeld : MendMethod
{
    /// <summary>Stop drill in millimetres. From memory.</summary>
    public const double StopDrillMm = 4;

    /// <summary>Depth of the V as a share of the wall. From memory: two thirds.</summary>
    public const double GrooveShare = 2.0 / 3;

    /// <summary>Rod in millimetres. From memory.</summary>
    public const double RodMm = 4;

    /// <summary>How far the last bead stands proud in millimetres. From memory.</summary>
    public const double ProudMm = 1.5;

    public override string Id => "polyethylene-weld";

    public override string Name => "Stop-drill and weld";

    public override string Why => "Polyethylene takes a weld; hardly any glue holds on it.";

    public override int Skill => 3;

    public override int Tidiness => 2;

    public override IReadOnlyList<string> Needs => ["welding-gun", "drill"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Crack, DamageKind.Hole, DamageKind.Scratch];

    public override bool Takes(Material material) => material is { Role: Role.Melt, Chemistry: "polyethylene" };

    protected override string? Unfit(CaseView view) => OuterIs(view, "rotomoulded") ? null : "It is for rotomoulded polyethylene.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var wall = list.View.Reach.Layers[0].Layer.ThicknessMm;
        var depth = list.Figure("groove.depth", "Groove", Math.Min(wall * GrooveShare, Math.Max(list.Damage.DepthMm, 1)), "mm", "Two thirds of the wall, no deeper than the hurt", Source.FromMemory("Share of the wall"), [new("Wall", wall, "mm"), new("Hurt", list.Damage.DepthMm, "mm")], 1);
        list.Find().Dry();
        list.Figure("drill.size", "Stop drill", StopDrillMm, "mm", "At both ends of the crack", Source.FromMemory("Size of the drill"));
        list.Do("stop", Stage.Shape, "Stop-drill both ends, groove it to a V", $"{StopDrillMm:0} mm at each end, past what you see. V to {depth:0.0} mm with a burr or scraper.", 10, "Drill past the end: a crack runs on from under the weld.", cautions: ["blades"], draws: ["stop", "cut"]);
        list.Scuff("P80", "groove and rim, just before welding", 3);
        var perPass = Math.PI * RodMm * RodMm / 4;
        var section = depth * depth * 0.577 + (ProudMm * depth);
        var passes = list.Figure("weld.passes", "Passes", Math.Max(1, Math.Ceiling(section / perPass)), "", "Section of a 60° V and its proud cap ÷ section of the rod", Source.Published("Solid geometry, textbook"), [new("Section", section, "mm²"), new("Rod", perPass, "mm²")]);
        list.Figure("weld.rod", "Rod", passes * list.View.Outline.LengthMm * 1.1, "mm", "Passes × length, and a tenth for the ends", Source.Arithmetic, [new("Length", list.View.Outline.LengthMm, "mm")]);
        list.Do("weld", Stage.Apply, $"Tack the ends, then {passes:0} passes", "Heat rod and groove together until both shine, press the rod in as it melts; do not stir. Let each pass go dull before the next. Same plastic as the hull: try a scrap.", 6 * passes,
            "Try rod and hull on a scrap: what peels off cold is another plastic.", Waits.Cooled(list.View, list.Main), [.. list.Main.Hazards], ["beads"]);
        list.Do("level", Stage.Finish, "Scrape the cap down, not flush", "Sharp scraper; leave half a millimetre: flush has lost its strength.", 5, "Leave the cap: flush has lost its strength.", Waits.Loadable(list.View, list.Main, "weld"), ["blades"], ["finish"]);
        list.Prove("flex").Prove("inside-wet");
        var half = list.HalfMm();
        list.Section("stop", MarkKind.Drill, true, "stop hole", (half - 2, 0), (half + 2, 0), (half + 2, wall), (half - 2, wall)).Section("stop", MarkKind.Drill, true, null, (-half - 2, 0), (-half + 2, 0), (-half + 2, wall), (-half - 2, wall))
            .Section("cut", MarkKind.Cut, true, "V", (-half, 0), (0, depth), (half, 0));
        for (var pass = 1; pass <= (int)passes; pass++)
        {
            var y = depth * (1 - (pass / passes));
            list.Section("beads", MarkKind.Bead, true, $"{pass}", (-half * pass / passes, y - 1), (half * pass / passes, y - 1), (half * pass / passes * 0.6, y + 1), (-half * pass / passes * 0.6, y + 1));
        }

        return list.End(list.View.Outline, list.View.Outline.Grown(10));
    }
}
