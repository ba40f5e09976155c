using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A core shot welded with copolymer: an anchor bead down the middle, then beads at 45° from one side and the other.</summary>
internal sealed class BaseWeld : MendMethod
{
    /// <summary>Widest wound in millimetres that is welded: wider wants an inset of base sheet. From memory.</summary>
    public const double WidestMm = 30;

    public override string Id => "base-weld";

    public override string Name => "Weld the base";

    public override string Why => "Copolymer holds on base, core, glass and steel, where filler does not.";

    public override int Skill => 3;

    public override IReadOnlyList<string> Needs => ["base-gun", "scraper"];

    public override IReadOnlyList<string> Schools => ["base-finish"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.CoreShot];

    public override bool Takes(Material material) => material is { Role: Role.Melt, Chemistry: "polyethylene" };

    protected override Message? Unfit(CaseView view) =>
        !OuterIs(view, "base") ? "It is for ski and snowboard bases."
        : Math.Min(view.Outline.WidthMm, view.Outline.LengthMm) > WidestMm ? (Message)$"Wider than {Mm(WidestMm)}: inset a piece of base sheet." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var past = job.Constant("weld.past", "Cut past the damage", Mm(2), Source.FromMemory("Loose base round a core shot"));
        var cut = job.Hurt.Grown("cut", "Cut", past);
        job.OpenBase(true);
        var proud = job.Figure("weld.proud", "Weld stands proud", Mm(3.5), $"{Mm(3)} to {Mm(4)} proud: it shrinks, and it is cut back", Source.CommonPractice, 1);
        var bead = job.Constant("weld.bead", "One bead covers", Mm(6), Source.FromMemory("Width of a bead from a usual tip"));
        var beads = job.Figure("weld.beads", "Beads on each side", () => Count(Math.Ceiling(cut.Width.Mm / 2 / bead.Mm)), "Half the width ÷ what one bead covers, at 45° to the anchor", Source.Arithmetic, between: (1, 60));
        var tip = job.Constant("melt.loss", "Stays in the tip", Percent(15), Source.FromMemory("What stays in the tip"));
        var grams = job.Figure("melt.need", "Weld", () => Grams(cut.Area.Cm2 * (job.Depth.Mm + proud.Mm) / 10 * job.Label.Density.GPerMl * (1 + (tip.Percent / 100))),
            "Area × (depth + proud) × density, and a little for the tip", Source.Arithmetic, 1);
        job.Takes(job.Main, grams);
        job.Do("anchor", Stage.Apply, "One anchor bead down the middle", $"Run the gun clear; about {grams} in all. One bead the whole length, pressed into the roughed core.", 3,
            "Run the gun clear before use: the first stretch is burnt.", cautions: [.. job.Main.Hazards], draws: ["anchor"]);
        job.Do("beads", Stage.Apply, $"Then {beads} beads at 45° from one side, turn, the other side", $"Each leans on the one before, until base and rim are covered, {proud} proud. Press lightly with a cold block. Let it cool.", 4 + beads.N,
            "Fill the scratches while the weld cools: it is one heat-up of the gun.", job.Cooled(job.Label), [.. job.Main.Hazards], ["beads"]);
        job.Draw(sketch => DrawBeads(sketch, job, cut.Width.Mm / 2, proud.Mm, bead.Mm));
        var field = job.Levelled(cut);
        return job.LevelBase(field, "beads").End(cut, field);
    }

    private static void DrawBeads(Sketch sketch, Job job, double halfWidth, double proud, double bead)
    {
        var (half, depth) = (job.HalfMm(), job.Depth.Mm);
        sketch.Section("anchor", MarkKind.Bead, true, "1", (-2, depth), (2, depth), (2, -proud), (-2, -proud))
            .Section("beads", MarkKind.Bead, true, "2", (-half, 0), (-2, depth), (-2, -proud), (-half, -proud / 2))
            .Section("beads", MarkKind.Bead, true, "3", (half, 0), (2, depth), (2, -proud), (half, -proud / 2))
            .Above("anchor", MarkKind.Bead, false, "1", (-half, 0), (half, 0));
        for (var x = -half; x < half; x += bead)
        {
            // The last ones end with the cut: at 45° they would lean out over sound base.
            var reach = Math.Min(halfWidth, half - x);
            sketch.Above("beads", MarkKind.Bead, false, null, (x, 0), (x + reach, -reach)).Above("beads", MarkKind.Bead, false, null, (x, 0), (x + reach, reach));
        }
    }
}
