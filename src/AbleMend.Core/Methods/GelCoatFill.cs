using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Mixing;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>A scratch in gel coat, filled in two coats: the first thin and without wax, the second with wax so that it cures in air.</summary>
public sealed class GelCoatFill : MendMethod
{
    /// <summary>Tape either side of the scratch in millimetres. Common practice.</summary>
    public const double TapeMm = 10;

    /// <summary>How far the last coat stands proud in millimetres. From memory: a little, for the block.</summary>
    public const double ProudMm = 0.3;

    /// <summary>First coat in millimetres, thin. From memory.</summary>
    public const double FirstCoatMm = 0.2;

    public override string Id => "gel-coat-fill";

    public override string Name => "Gel coat in two coats";

    public override string Why => "The same stuff as the surface: it fairs and polishes away.";

    public override int Tidiness => 5;

    public override IReadOnlyList<string> Schools => ["gel-coat-surface"];

    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Scratch, DamageKind.Chip];

    public override bool Takes(Material material) => material is { Cure: CureKind.Catalysed, Role: Role.Resin } && material.Suits?.Contains("gel-coat") == true;

    protected override string? Unfit(CaseView view) =>
        !OuterIs(view, "gel-coat") ? "There is no gel coat here."
        : view.Reach.Layers.Skip(1).Any(layer => layer.Touched) && view.Case.Damage.Kind == DamageKind.Scratch ? "It goes through the gel coat into the laminate: that is glassed first." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var list = new StepList(inputs);
        var field = list.View.Outline.Grown(TapeMm);
        list.Find();
        list.Figure("tape.margin", "Tape either side", TapeMm, "mm", "Room for a dish that the block can find", Source.CommonPractice);
        list.Do("mask", Stage.Prepare, $"Tape {TapeMm:0} mm either side", "Straight, pressed down, with the scratch in the middle.", 3, "Tape first: it is the fence of everything that follows.", draws: ["tape"]);
        list.Scuff("P150", "to the bottom of the scratch, a shallow smooth dish", 6).Clean();
        var dish = field.AreaMm2 * list.Damage.DepthMm / 3000;
        Coat(list, "first", "First coat, thin, without wax", field.AreaMm2 * FirstCoatMm / 1000, false);
        Coat(list, "second", "Second coat, proud, so that its surface cures", dish + (field.AreaMm2 * ProudMm / 1000), true);
        Polish(list, field.AreaMm2 / 100);
        list.Prove("fingernail", Waits.Loadable(list.View, list.Main, "second-mix")).Prove("straightedge");
        return list.Section("key", MarkKind.Cut, true, "dish", (-list.HalfMm() - TapeMm, 0), (0, list.Damage.DepthMm), (list.HalfMm() + TapeMm, 0))
            .Section("first", MarkKind.Glue, false, null, (-list.HalfMm() - (TapeMm / 2), list.Damage.DepthMm / 2), (0, list.Damage.DepthMm * 0.9), (list.HalfMm() + (TapeMm / 2), list.Damage.DepthMm / 2))
            .Section("second", MarkKind.Fill, true, "proud", (-list.HalfMm() - TapeMm, 0), (0, list.Damage.DepthMm * 0.9), (list.HalfMm() + TapeMm, 0), (0, -ProudMm))
            .End(list.View.Outline, field);
    }

    private static void Coat(StepList list, string id, string title, double ml, bool last)
    {
        var resin = list.Main;
        var waxed = last && list.View.School("gel-coat-surface") == "wax";
        var grams = list.Figure($"{id}.resin-g", "Gel coat", (ml + Mixes.CupLossMl) * resin.DensityGPerMl!.Value, "g",
            "Volume of the coat and what stays in the cup, × density", Source.FromMemory("Coat, proud and cup loss"), [new("Coat", ml, "mL"), new("Stays in the cup", Mixes.CupLossMl, "mL")], 1);
        var dose = resin.Catalyst!;
        var amount = Catalyst.For(dose, grams, resin.Label!.ReferenceC, resin.Label.ReferenceC);
        list.Figure($"{id}.catalyst-percent", "Catalyst", amount.Percent, "%", "2 % of peroxide by weight for gel coat: warm the bench instead of pouring more", Source.CommonPractice,
            [new("Least", dose.MinPercent, "%"), new("Most", dose.MaxPercent, "%")], 1);
        list.Figure($"{id}.catalyst-drops", "Catalyst in drops", amount.Drops, "drops", "Mass of catalyst ÷ mass of a drop", Source.Arithmetic, [new("Catalyst", amount.MassG, "g"), new("One drop", dose.DropMassG, "g")]);
        list.Do($"{id}-mix", Stage.Mix, last ? waxed ? "Mix the second coat: wax first, then catalyst" : "Mix the second coat" : "Mix the first coat",
            $"{(waxed ? "Stir in the wax first. " : "")}{StepText.G(grams)} of gel coat, {amount.Drops} drops of catalyst, mixed into the corners of the cup.", 3,
            waxed ? "Wax first, then catalyst: without wax the surface stays sticky." : "Mix into the corners of the cup: a soft corner never sets.",
            cautions: [.. resin.Hazards], useWithin: Math.Max(4, resin.Label.PotLifeMin!.Value / Math.Max(0.1, Curing.CureClock.For(resin).RateAt(list.View.Case.Bench.TemperatureC))));
        var film = last && !waxed ? " Lay release film over it and press the air out, or brush PVA on when it has gelled." : "";
        list.Do(id, Stage.Apply, title, $"Work it in with a stick, no bubbles, to the tape.{film}", 4, last ? "Proud: it shrinks, and the block needs something to take." : null,
            last ? Waits.Sandable(list.View, resin, $"{id}-mix") : Waits.Recoat(list.View, resin, $"{id}-mix"), draws: [id], follows: true);
    }

    private static void Polish(StepList list, double areaCm2)
    {
        string[] grits = ["P500", "P1000", "P2000"];
        Grit? before = null;
        foreach (var wanted in grits)
        {
            var grit = Ground.NearestGrit(list.View.Drawer, wanted);
            if (grit == before)
            {
                list.Warnings.Add(new Warning("gap-in-drawer", $"{wanted} is not in the drawer: buy it, or the scratches of {before.Label} stay.", "polish"));
                continue;
            }

            list.Figure($"sand.{wanted.ToLowerInvariant()}", $"{grit.Label} wet", GritLadder.Minutes(before, grit, Math.Max(areaCm2, 5)), "min",
                before is null ? "Hard block, down to the tape, over a pencil scribble" : $"Until the scratches of {before.Label} are gone, widening each time", Grit.Source,
                [new("Median particle", grit.MedianUm, "µm"), new("Area", areaCm2, "cm²")]);
            before = grit;
        }

        list.Do("polish", Stage.Finish, "Wet 500 to the tape, peel it, flush; then 1000, 2000, compound",
            "Pencil scribble as guide coat. P500 wet on a hard block down to the tape, peel the tape, go on until flush. P1000, P2000, widening, then compound.", 15,
            "Peel the tape before the last strokes, or you sand a groove beside it.", cautions: ["resin-dust"], draws: ["finish"]);
    }
}
