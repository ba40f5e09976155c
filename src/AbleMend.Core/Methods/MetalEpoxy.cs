using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>Cracks, holes and weeping seams of a metal hull: thickened epoxy outside, looked at again, slightly proud, and the same spots inside days later.</summary>
public sealed class MetalEpoxy : MendMethod
{
    /// <summary>How far past the hurt the metal is keyed and covered, in millimetres. From memory.</summary>
    public const double RimMm = 25;

    /// <summary>Coat on the rim in millimetres. From memory: enough to bridge.</summary>
    public const double CoatMm = 1.5;

    /// <summary>Minutes until it is looked at again. Common practice: a couple of hours.</summary>
    public const double LookAgainMin = 120;

    /// <summary>Minutes from the outside to the inside. Common practice: days later.</summary>
    public const double ThenInsideMin = 2880;

    public override string Id => "metal-epoxy";

    public override string Name => "Thickened epoxy on both sides";

    public override string Why => "Brittle metal sits between two layers that hold it.";

    public override int Tidiness => 2;

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Crack, DamageKind.Hole, DamageKind.SeamOpen];

    public override string Filler(CaseView view) => "fumed-silica";

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override string? Unfit(CaseView view) => OuterIs(view, "aluminium") && view.Construction.Silhouette == Silhouette.Hull ? null : "It is for metal hulls.";

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var field = list.View.Outline.Grown(RimMm);
        var hole = list.Damage.Kind == DamageKind.Hole;
        list.Find().Dry();
        list.Do("open", Stage.Prepare, hole ? "File the hole round, back it" : "Stop-drill both ends, open the crack a little",
            hole ? "Deburr both faces. Back it with tape and a card, or a piece of cloth, so that the fill has something to stand on." : "3 mm at each end, where a lens shows that it ends; a shallow V with a file.", 8,
            hole ? "A hole needs backing, thickener or cloth: epoxy alone runs through." : "Drill past the end that you see: it goes further.", cautions: ["metal-chips"], draws: ["cut"]);
        list.Scuff("P80", $"{RimMm:0} mm of bright metal round it", 6, ["metal-chips"]).Clean();
        Pass(list, "outside", Waits.Hold(list.View, list.Main, "outside-mix"), (field.AreaMm2 * CoatMm / 1000) + (hole ? list.View.Outline.AreaMm2 * list.Damage.DepthMm / 1000 : 0));
        list.Do("look-again", Stage.Cure, "Look again: where did it sink?", "A second small batch where it sank or ran. Build it slightly proud.", 6, "It sinks where the thickener was too little: look before it is hard.",
            new StepWait(WaitKind.Recoat, LookAgainMin, null, null, Curing.CureClock.For(list.Main), "Is it firm, and still proud everywhere?", 30), draws: []);
        list.Do("turn", Stage.Cure, "Leave it, turn the hull", "Days later the same spots inside, so that brittle metal sits between two layers.", 2, "Mark the spots inside before you turn it: they are hard to find.",
            new StepWait(WaitKind.Hold, ThenInsideMin, null, null, new Curing.CureClock(20, 0, -30), "Does it ring when it is knocked?", 240));
        Pass(list, "inside", Waits.Loadable(list.View, list.Main, "inside-mix"), field.AreaMm2 * CoatMm / 1000);
        list.Prove("inside-wet");
        list.Do("blend", Stage.Finish, "Feather it with a fine disc, after the float", "Fine disc, light, or a file and P120 by hand. A drip left on does no harm.", 8, "Float it before blending: cosmetics are wasted on a leak.", cautions: ["grinder", "resin-dust"], draws: ["finish"]);
        list.Prove("fingernail");
        var half = list.HalfMm();
        list.Section("outside", MarkKind.Fill, true, "outside, proud", (-half - RimMm, 0), (half + RimMm, 0), (half, -CoatMm), (-half, -CoatMm))
            .Section("inside", MarkKind.Fill, true, "inside", (-half - RimMm, list.View.Reach.Layers[0].Layer.ThicknessMm), (half + RimMm, list.View.Reach.Layers[0].Layer.ThicknessMm), (half, list.View.Reach.Layers[0].Layer.ThicknessMm + CoatMm), (-half, list.View.Reach.Layers[0].Layer.ThicknessMm + CoatMm))
            .Section("cut", MarkKind.Drill, true, "stop hole", (half - 1.5, 0), (half + 1.5, 0), (half + 1.5, list.Damage.DepthMm), (half - 1.5, list.Damage.DepthMm));
        return list.End(list.View.Outline, field);
    }

    private static void Pass(StepList list, string id, StepWait wait, double ml)
    {
        var need = new Worked(ml + Mixes.CupLossMl, "mL", new Derivation("Keyed field × coat, the hole's volume, and what stays in the cup", Source.FromMemory("Coat and loss; solid geometry"), [new("Fill", ml, "mL"), new("Stays in the cup", Mixes.CupLossMl, "mL")]));
        list.Add(Mixes.Mix(list.Inputs, new MixOrder(id, $"Mix the epoxy for the {id}", "then the thickener until it stands", need, 5, list.Inputs.Materials.Filler, false)));
        list.Do(id, Stage.Apply, $"Skim it on, {id}, so that it bridges", "Press the first skim into the metal, then draw the thickened mix over it, slightly proud.", 5, "The thickener: without it the mix runs and sinks.",
            wait, draws: [id], follows: true);
    }
}
