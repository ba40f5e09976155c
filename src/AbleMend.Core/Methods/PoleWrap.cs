using AbleMend.Core.Clamping;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A split tube wrapped with water-activated glass cloth. Nothing goes over the part that slides into a ferrule.</summary>
public sealed class PoleWrap : MendMethod
{
    /// <summary>How far the wrap reaches past the split at each end, in millimetres. From memory: three tube diameters and more.</summary>
    public const double PastMm = 30;

    /// <summary>Width of the tape in millimetres. From memory.</summary>
    public const double TapeMm = 50;

    /// <summary>Share that the next turn covers. Common practice: overlapping, half.</summary>
    public const double Overlap = 0.5;

    /// <summary>Layers. From memory.</summary>
    public const int Layers = 2;

    /// <summary>Seconds in water. Common practice: five.</summary>
    public const int SoakS = 5;

    public override string Id => "pole-wrap";

    public override string Name => "Wrap it with water-activated cloth";

    public override string Why => "Stiff in a quarter of an hour, and it needs nothing but water.";

    public override int Tidiness => 2;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Split, DamageKind.Crack];

    public override bool Takes(Material material) => material.Role == Role.Wrap;

    protected override string? Unfit(CaseView view) => view.Location.Has("tube") ? null : "It is for tubes.";

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var covered = list.View.Outline.LengthMm + (2 * PastMm);
        var diameter = 2 * (list.View.Construction.RadiusMm ?? 5);
        list.Figure("wrap.covered", "Wrap from end to end", covered, "mm", "Split and a reach past each end", Source.FromMemory("Reach past the split"), [new("Split", list.View.Outline.LengthMm, "mm"), new("Past each end", PastMm, "mm")]);
        list.Figure("wrap.length", "Tape", Clamps.WrapLengthMm(diameter, covered, TapeMm, Overlap, Layers), "mm", "Turns along a helix: covered ÷ (width × (1 − overlap)) × √((π·d)² + climb²) × layers",
            Source.Published("Helix, geometry textbook"), [new("Tube", diameter, "mm"), new("Width", TapeMm, "mm"), new("Overlap", Overlap * 100, "%"), new("Layers", Layers, "")]);
        var slides = list.View.Construction.Silhouette == Silhouette.Pole;
        list.Do("mark", Stage.Prepare, slides ? "Mark the ferrule's reach with tape" : "Tape the split shut, mark both ends of the wrap",
            slides ? "Push the pole together, mark where the ferrule ends, and tape that line: the tape also holds the split shut." : "A turn of tape over each end of the split, another where the wrap will end.", 3,
            slides ? "Nothing over the part that slides into a ferrule." : "Where a joint or a hand goes the wrap stays off.", draws: slides ? ["forbidden"] : []);
        list.Scuff("P100", "the shaft between the tapes", 3).Clean();
        list.Do("lay-out", Stage.Prepare, "Gloves on, everything laid out", "Water in a bowl, film, tape, scissors, gloves. The pouch stays shut until all of it lies there.", 2,
            "The pouch starts curing in air: open it last.", cautions: ["gloves", "isocyanate"]);
        list.Do("soak", Stage.Mix, $"Open the pouch, {SoakS} seconds in water, squeeze", "Under water, squeeze twice, out, squeeze once more.", 1, $"{SoakS} seconds: longer makes it foam.", useWithin: list.Main.Label!.PotLifeMin);
        list.Do("wrap", Stage.Apply, "Wrap tight and overlapping, smooth, film over", "From past one end to past the other and back, half over half, tight. Smooth it with wet gloves, over-wrap with film, tight.", 4,
            slides ? "It hardens as it lies, bumps and all: it must still pass the sleeves." : "It hardens as it lies, bumps and all: smooth it where the hand runs.", Waits.Loadable(list.View, list.Main, "soak"), [.. list.Main.Hazards], ["wrap"], follows: true);
        list.Do("unwrap", Stage.Finish, "Film off, knock the bumps down", slides ? "P100 where it would catch in a sleeve." : "P100 where it would catch a hand or a sleeve.", 3, "Feel it from end to end with a stocking over the hand.", cautions: ["resin-dust", "glass-dust"]);
        list.Prove(slides ? "slide" : "thumb").Prove("flex");
        var half = covered / 2;
        list.Section("wrap", MarkKind.Wrap, true, "wrap", (-half, 0), (half, 0), (half - 6, -1.2), (-half + 6, -1.2));
        if (slides)
        {
            list.Section("forbidden", MarkKind.Forbidden, false, "ferrule: nothing here", (half + 8, -0.3), (half + 40, -0.3));
        }

        return list.End(list.View.Outline, list.View.Outline.Grown(4));
    }
}
