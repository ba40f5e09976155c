using AbleMend.Core.Cases;
using AbleMend.Core.Clamping;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A split tube wrapped with water-activated glass cloth. Nothing goes over the part that slides into a ferrule.</summary>
internal sealed class PoleWrap : MendMethod
{
    /// <summary>Layers. From memory.</summary>
    public const int Layers = 2;

    private const double SoakMin = 1;

    private const double WrapMin = 4;

    public override string Id => "pole-wrap";

    public override string Name => "Wrap it with water-activated cloth";

    public override string Why => "Stiff in a quarter of an hour, and it needs nothing but water.";

    public override int Tidiness => 2;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Split, DamageKind.Crack];

    public override bool Takes(Material material) => material.Role == Role.Wrap;

    protected override Message? Unfit(CaseView view) => !view.Location.Has("tube") ? "It is for tubes."
        : view.Damage.AcrossWholeWidth ? "It is broken right round: a wrap carries no bending there." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var tube = job.Tube();
        var past = job.Constant("wrap.past", "Past each end", Mm(30), Source.FromMemory("Reach past the split: three tube diameters and more"));
        var covered = job.Figure("wrap.covered", "Wrap from end to end", () => Mm(job.Hurt.Length.Mm + (2 * past.Mm)), "Split and a reach past each end", Source.Arithmetic, 1);
        Tape(job, tube, covered);
        var slides = job.View.Construction.Silhouette == Silhouette.Pole;
        job.Do("mark", Stage.Prepare, slides ? "Mark the ferrule's reach with tape" : "Tape the split shut, mark both ends of the wrap",
            slides ? "Push the pole together, mark where the ferrule ends, and tape that line: the tape also holds the split shut." : "Press the split shut and hold it with a turn of tape where the wrap will end, on each side: none under the wrap.", 3,
            slides ? "Nothing over the part that slides into a ferrule." : "Where a joint or a hand goes the wrap stays off.", draws: slides ? ["forbidden"] : []);
        job.Scuff("P100", "the shaft between the tapes", 3).Clean();
        job.Do("lay-out", Stage.Prepare, "Gloves on, everything laid out", "Water in a bowl, film, tape, scissors, gloves. The pouch stays shut until all of it lies there.", 2,
            "The pouch starts curing in air: open it last.", cautions: ["gloves", "isocyanate"]);
        var life = job.Figure("soak.pot-life", "Time to wrap", () => WallMin(job.Label.PotLife.CureMin / Math.Max(0.1, job.LifeClock(job.Main).RateAt(job.Bench.C))), "Label's time once it is wet ÷ rate at this temperature", EquivalentAge.Source);
        if (life.WallMin < SoakMin + WrapMin)
        {
            job.Warnings.Add(new Warning("too-quick", $"At this temperature it sets in {life}, sooner than it is wrapped: cold water, a cooler place, and two pairs of hands.", "soak"));
        }

        job.Takes(job.Main);
        job.Do("soak", Stage.Mix, "Open the pouch, five seconds in water, squeeze", "Under water, squeeze twice, out, squeeze once more.", SoakMin, "Five seconds: longer makes it foam.", useWithin: life);
        job.Do("wrap", Stage.Apply, "Wrap tight and overlapping, smooth, film over", "From past one end to past the other and back, half over half, tight. Smooth it with wet gloves, over-wrap with film, tight.", WrapMin,
            slides ? "It hardens as it lies, bumps and all: it must still pass the sleeves." : "It hardens as it lies, bumps and all: smooth it where the hand runs.", job.Loadable(job.Label, "soak"), [.. job.Main.Hazards], ["wrap"], follows: true);
        var grit = job.Grit("unwrap.grit", "Knock bumps down with", "P100");
        job.Do("unwrap", Stage.Finish, "Film and marking tape off, knock the bumps down", slides ? (Message)$"{grit} where it would catch in a sleeve." : (Message)$"{grit} where it would catch a hand or a sleeve.", 3, "Feel it from end to end with a stocking over the hand.", cautions: ["resin-dust", "glass-dust"]);
        job.Prove(slides ? "slide" : "thumb").Prove("flex");
        job.Draw(sketch =>
        {
            var half = covered.Mm / 2;
            sketch.Section("wrap", MarkKind.Wrap, true, "wrap", (-half, 0), (half, 0), (half - 6, -1.2), (-half + 6, -1.2));
            if (slides)
            {
                sketch.Section("forbidden", MarkKind.Forbidden, false, "ferrule: nothing here", (half + 8, -0.3), (half + 40, -0.3));
            }
        });
        return job.End(job.Hurt, job.Around(4));
    }

    private static void Tape(Job job, Figure<Length> tube, Figure<Length> covered)
    {
        var width = job.Constant("wrap.tape", "Width of the tape", Mm(50), Source.FromMemory("Width of a usual wrap"));
        var overlap = job.Constant("wrap.overlap", "The next turn covers", Percent(50), Source.CommonPractice, (0, 90));
        var layers = job.Constant("wrap.layers", "Layers", Count(2), Source.FromMemory("Layers of a wrap"), (1, 20));
        job.Figure("wrap.length", "Tape", () => Mm(Clamps.WrapLengthMm(tube.Mm, covered.Mm, width.Mm, overlap.Percent / 100, (int)layers.N)),
            "Turns along a helix: covered ÷ (width × (1 − overlap)) × √((π·d)² + climb²) × layers", Source.Published("Helix, geometry textbook"));
    }
}
