using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A chipped edge or nose rebuilt in a lip of clear tape, chip turned up, closed over, the bulge pushed to the tip.</summary>
internal sealed class TapedMould : MendMethod
{
    public override string Id => "taped-mould";

    public override string Name => "Pour it in a taped lip";

    public override string Why => "Bare carbon is sealed and the edge has its shape back, with little to sand.";

    public override int Tidiness => 4;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Chip, DamageKind.Scratch];

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart } && material.Suits?.Contains("metal") != true;

    protected override Message? Unfit(CaseView view) =>
        view.Damage.Kind == DamageKind.Scratch && OuterIs(view, "gel-coat") ? "A scratch in gel coat is filled with gel coat."
        : view.Construction.Silhouette is not (Silhouette.Hull or Silhouette.Foil) || !view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("laminate")) ? "It is for laminated hulls and foils." : null;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var missing = job.Figures.Fact("damage.missing", "Worn or broken away", Mm(job.Damage.MissingMm ?? job.Damage.DepthMm));
        job.Dry();
        job.Do("turn", Stage.Prepare, "Turn it so that the chip faces up", "Wedge it so that a drop stays in the chip.", 4, "Bare carbon is sealed before salt water.", draws: ["cut"]);
        job.Scuff("P120", "chip and rim", 4, ["carbon-dust"]).Clean();
        job.Do("lip", Stage.Shape, "Build a lip with clear tape, no kinks", "Narrow strips on tight curves, each half over the last, pressed on below, standing above the finished line.", 8,
            "No kinks: each one makes a vein to sand.", draws: ["lip"]);
        var proud = job.Figure("fill.proud", "Fill stands proud", Mm(0.5), "A little proud: it is sanded to the line", Source.FromMemory("A little proud"), 1);
        var stick = job.Constant("mix.stick-loss", "Stays on the stick", Ml(1), Source.FromMemory("What stays on the stick"));
        var need = job.Need("fill", false, () => Ml((job.Hurt.Area.Cm2 * ((missing.Mm / 2) + proud.Mm) / 10) + stick.Ml), "Area × (half of what is gone, a wedge, and the proud part) + what stays on the stick", Source.Published("Solid geometry, textbook"));
        job.Mix(new MixOrder("fill", "Mix just enough", "slowly, without bubbles", need, job.SpreadingTime("fill", 5), null, false));
        job.Do("fill", Stage.Apply, "Fill it, close the tape over, push the bulge to the tip", $"Just enough, {proud} proud; close the tape from the sound end and push the bulge towards the tip; a pin lets the air out.", 5,
            "Overnight, better two days.", job.Sandable(job.Label, "fill-mix"), [.. job.Main.Hazards], ["fill"], follows: true);
        var (coarse, fine) = (job.Grit("sand.coarse", "Sand with", "P240"), job.Grit("sand.fine", "Then with", "P400"));
        job.Do("untape", Stage.Finish, "Tape off, look: low or bubbled, again", $"{job.BlushFirst()}Low or bubbled: scuff and fill again, from a fresh mix. Else sand wet, {coarse} then {fine}, to the line.", 10, "Sand carbon wet.", job.Loadable(job.Label, "fill-mix"), ["carbon-dust", "resin-dust"], ["finish"]);
        job.Prove("fingernail").Prove("tap");
        job.Draw(sketch =>
        {
            var (half, depth) = (job.HalfMm(), job.Depth.Mm);
            sketch.Section("fill", MarkKind.Fill, true, "fill", (-half, 0), (-half, -proud.Mm), (half, -proud.Mm), (half, Math.Min(missing.Mm * 0.6, depth)), (0, Math.Min(missing.Mm, depth)))
                .Section("lip", MarkKind.Tape, false, "taped lip", (half + 1, depth), (half + 1, -proud.Mm - 1.5), (-half, -proud.Mm - 1.5));
        });
        return job.End(job.Hurt, job.Around(8));
    }
}
