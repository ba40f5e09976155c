using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A slice in a soft skin, filled with light-cured resin of the epoxy-safe kind: lever up, scuff, spread in the shade, carry into the sun.</summary>
public sealed class UvSliceFill : MendMethod
{
    /// <summary>How far past the slice the skin is scuffed and covered, in millimetres. From memory.</summary>
    public const double ScuffMarginMm = 12;

    /// <summary>Film over the scuffed skin in millimetres. From memory.</summary>
    public const double SkinFilmMm = 0.4;

    /// <summary>Minutes bare in full sun, as a share of the label's minutes under film: no film holds light back. Common practice: five against ten.</summary>
    public const double BareShare = 0.5;

    public override string Id => "uv-slice-fill";

    public override string Name => "UV resin, spread and sunned";

    public override string Why => "Watertight and in the water minutes after it has hardened; it stands the heat of a car.";

    public override int Skill => 1;

    public override IReadOnlyList<string> Schools => ["soft-board", "fill-thickness"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Slice, DamageKind.Hole];

    public override bool Takes(Material material) => material is { Cure: CureKind.Light };

    protected override string? Unfit(CaseView view) =>
        view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("soft-skin")) ? null : "It is for soft boards.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var cut = list.View.Outline;
        var rim = list.View.Outline.Grown(ScuffMarginMm);
        list.Dry();
        list.Do("lever", Stage.Prepare, "Pick it clean, lever the skin back up",
            "Pick out sand and loose skin. Slide a blunt blade under what is pushed in and lever it up until the edges meet and no core shows.", 6,
            "No core may show: resin on the core is resin where the skin should be.", cautions: ["blades"], draws: ["cut"]);
        list.Scuff("P80", "the skin round it", 3);
        list.Clean();
        Mix(list, cut.AreaMm2, rim.AreaMm2);
        var sunMin = Spread(list, rim.AreaMm2);
        list.Do("sand", Stage.Finish, "Sand the resin, coarse then fine, and only the resin",
            "P80 to take it down, P220 to smooth it. Tape the skin round it: sanded skin stays scratched.", 6,
            "On the resin only: the skin scratches.", Waits.Loadable(list.View, list.Main, "sun") with { CountsFrom = "sun", OpensMin = sunMin }, ["resin-dust"], ["finish"]);
        list.Prove("edge").Prove("float");
        return list.Section("fill", MarkKind.Fill, true, null, (-list.HalfMm(), 0), (0, list.Damage.DepthMm), (list.HalfMm(), 0))
            .Section("film", MarkKind.Glue, false, "resin over the scuffed rim", (-list.HalfMm() - ScuffMarginMm, -0.4), (list.HalfMm() + ScuffMarginMm, -0.4))
            .End(cut, rim);
    }

    private static void Mix(StepList list, double slitMm2, double rimMm2)
    {
        var slit = slitMm2 * list.Damage.DepthMm / 2000;
        var ml = list.Figure("fill.need", "Resin", slit + (rimMm2 * SkinFilmMm / 1000) + Mixes.CupLossMl, "mL",
            "Half the slit's area × depth, a film over the scuffed rim, and what stays on the card", Source.FromMemory("Film and loss; solid geometry"),
            [new("Slit", slit, "mL"), new("Rim", rimMm2 / 100, "cm²"), new("Film", SkinFilmMm, "mm")], 1);
        list.Do("pour", Stage.Mix, "In the shade, squeeze out what is needed",
            $"{StepText.Ml(ml)} on a card, in the shade and with your back to the light. Close the tube at once.", 1,
            "Light reflected off sand sets it in the shade; an old or half-exposed tube gels early: try a drop first.", cautions: [.. list.Main.Hazards]);
    }

    private static double Spread(StepList list, double rimMm2)
    {
        var (depth, layer) = (list.Damage.DepthMm, list.Main.Light!.LayerMm);
        var thin = list.View.School("fill-thickness") == "thin-passes";
        var layers = list.Figure("fill.layers", "Passes", thin ? Math.Max(1, Math.Ceiling(depth / layer)) : 1, "",
            "Depth ÷ the most that light cures at once, rounded up; one thick pass by the other school", Source.FromMemory("Layer of the label"),
            [new("Depth", depth, "mm"), new("One layer", layer, "mm")]);
        list.Do("spread", Stage.Apply, "Spread it with a flat card, top up the deep one",
            $"Press it into the slice, draw it flat over the scuffed rim, {(layers > 1 ? $"in {layers:0} passes with light between, " : "")}top up where it sinks. Stay in the shade.",
            4 * layers, "Top up the deep slice: it sinks while you do the others.", follows: true, draws: ["fill", "film"]);
        var wait = Waits.Sandable(list.View, list.Main, null);
        var deeper = Deeper(list, depth / layers);
        var needed = wait.OpensMin * BareShare * layers * deeper;
        list.Inputs.Sheet.Put("light.minutes", "Look at it after", Waits.LightMinutes(list.View, list.Main, needed,
            "Label's minutes under film × half for bare resin × this light × passes; × e for each penetration depth that a pass is thicker than a layer, Jacobs' working curve", Curing.WorkingCurve.Source,
            new Input("Label", list.Main.Label!.SandableMin ?? 0, "min"), new Input("Bare", BareShare, "×"), new Input("Passes", layers, ""), new Input("Thicker", deeper, "×")));
        list.Do("sun", Stage.Cure, "Carry it into the sun",
            "Face it to the sun. Touch the edge with a stick, not a finger.", 1, "Take the scrap on the card along: it is your witness.",
            wait with { OpensMin = needed, Check = "Is the scrap on the card hard to the stick?" });
        return needed;
    }

    /// <summary>How many times the dose of one layer a pass of some thickness takes; never less than one, since the surface wants the label's time.</summary>
    private static double Deeper(StepList list, double passMm)
    {
        var light = list.Main.Light!;
        var curve = Curing.WorkingCurve.ForLabel(light, list.Main.Label!.SandableMin ?? list.Main.Label.LoadableMin);
        return Math.Max(1, curve.DoseMjPerCm2(passMm) / curve.DoseMjPerCm2(light.LayerMm));
    }
}
