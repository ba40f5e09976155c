using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Finishing;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Mixing;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>A scratch in gel coat, filled in two coats: the first thin and without wax, the second with wax so that it cures in air.</summary>
internal sealed class GelCoatFill : MendMethod
{
    public override string Id => "gel-coat-fill";

    public override string Name => "Gel coat in two coats";

    public override string Why => "The same stuff as the surface: it fairs and polishes away.";

    public override int Tidiness => 5;

    public override IReadOnlyList<string> Schools => ["gel-coat-surface"];

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Scratch, DamageKind.Chip];

    public override bool Takes(Material material) => material is { Cure: CureKind.Catalysed, Role: Role.Resin } && material.Suits?.Contains("gel-coat") == true;

    protected override Message? Unfit(CaseView view) =>
        !OuterIs(view, "gel-coat") ? "There is no gel coat here."
        : view.Reach.Layers.Skip(1).Any(layer => layer.Touched) && view.Damage.Kind == DamageKind.Scratch ? "It goes through the gel coat into the laminate: that is glassed first." : null;

    public override IReadOnlyList<ReachedLayer> Touches(CaseView view) => Outermost(view);

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        job.Find();
        var tape = job.Figure("tape.margin", "Tape either side", Mm(10), "Room for a dish that the block can find", Source.CommonPractice, 1);
        var field = job.Hurt.Grown("dish", "Dish", tape);
        job.Do("mask", Stage.Prepare, $"Tape {tape} either side", "Straight, pressed down, with the scratch in the middle.", 3, "Tape first: it is the fence of everything that follows.", draws: ["tape"]);
        job.Scuff("P150", "to the bottom of the scratch, a shallow smooth dish", 6).Clean();
        var thin = job.Constant("first.coat", "First coat", Mm(0.2), Source.FromMemory("First coat, thin"));
        var proud = job.Figure("second.proud", "Second coat stands proud", Mm(0.3), "A little proud, for the block", Source.FromMemory("A little proud, for the block"), 2);
        Coat(job, "first", "First coat, thin, without wax", () => field.Area.Cm2 * thin.Mm / 10, false);
        Coat(job, "second", $"Second coat, {proud} proud, so that its surface cures", () => (field.Area.Cm2 * job.Depth.Mm / 30) + (field.Area.Cm2 * proud.Mm / 10), true);
        Polish(job, field);
        job.Prove("fingernail", job.Loadable(job.Label, "second-mix")).Prove("straightedge");
        job.Draw(sketch =>
        {
            var (half, wide, depth) = (job.HalfMm(), job.HalfMm() + tape.Mm, job.Depth.Mm);
            sketch.Section("key", MarkKind.Cut, true, "dish", (-wide, 0), (0, depth), (wide, 0))
                .Section("first", MarkKind.Glue, false, null, (-half - (tape.Mm / 2), depth / 2), (0, depth * 0.9), (half + (tape.Mm / 2), depth / 2))
                .Section("second", MarkKind.Fill, true, "proud", (-wide, 0), (0, depth * 0.9), (wide, 0), (0, -proud.Mm));
        });
        return job.End(job.Hurt, field);
    }

    private const double SpreadingMin = 4;

    private static void Coat(Job job, string id, Message title, Func<double> ml, bool last)
    {
        var waxed = last && job.View.School("gel-coat-surface") == "wax";
        var loss = job.CupLoss();
        var need = job.Need(id, false, () => Ml(ml() + loss.Ml), "Volume of the coat, and what stays in the cup", Source.Arithmetic);
        job.Sharable.Add(new SharableMix($"{id}-mix", job.Main.Id, null, waxed, need, job.SpreadingTime(id, SpreadingMin), null));
        if (!job.TakeFromShared($"{id}-mix", need))
        {
            Mix(job, id, need, last, waxed);
        }

        Message film = last && !waxed ? " Lay release film over it and press the air out, or brush PVA on when it has gelled." : Message.Empty;
        job.Do(id, Stage.Apply, title, $"Work it in with a stick, no bubbles, to the tape.{film}", SpreadingMin, last ? "Proud: it shrinks, and the block needs something to take." : null,
            last ? job.Sandable(job.Label, $"{id}-mix") : job.Recoat(job.Label, $"{id}-mix"), draws: [id], follows: true);
    }

    private static void Mix(Job job, string id, Figure<Volume> need, bool last, bool waxed)
    {
        var (resin, label) = (job.Main, job.Label);
        var all = job.ForAll($"{id}-mix", need);
        var percent = job.Figure($"{id}.catalyst-percent", "Catalyst", () =>
            {
                _ = (label.Catalyst.Value, label.CatalystLeast.Value, label.CatalystMost.Value);
                return Percent(Catalyst.For(resin.Catalyst!, 100, label.Reference.C, label.Reference.C).Percent);
            },
            "The label's dose by weight: warm the bench instead of pouring more", Source.CommonPractice, 1);
        var grams = job.Figure($"{id}.resin-g", "Gel coat", () => Grams(job.WholeDropsG(all.Ml * label.Density.GPerMl, percent.Percent)),
            "What is needed × density; up to the next whole drop of catalyst, and no less than the drops that hold the dose", Source.Arithmetic, 1);
        var drops = job.CatalystDrops(id, grams, percent);
        var wax = job.Wax(id, grams, waxed);
        Fumes.Put(job, id, resin, grams);
        var life = job.Figure($"{id}.pot-life", "Pot life", () => WallMin(Math.Max(1, label.PotLife.CureMin / Math.Max(0.1, job.LifeClock(resin).RateAt(job.Bench.C)))), "Label's pot life ÷ rate at this temperature", Curing.EquivalentAge.Source);
        if (life.WallMin < Mixes.MixingMin + SpreadingMin && !job.Warnings.Any(warning => warning.Code == "too-quick"))
        {
            job.Warnings.Add(new Warning("too-quick", $"At this temperature it gels in {life}, sooner than it is mixed and spread: cool bench and gel coat.", $"{id}-mix"));
        }

        Message first = wax is null ? Message.Empty : $"Stir in {wax} of wax first. ";
        job.Takes(resin, grams);
        job.Do($"{id}-mix", Stage.Mix, !last ? "Mix the first coat" : waxed ? "Mix the second coat: wax first, then catalyst" : "Mix the second coat",
            $"{first}{grams} of gel coat, {drops} of catalyst{job.Whom($"{id}-mix")}, mixed into the corners of the cup.", Mixes.MixingMin,
            waxed ? "Wax first, then catalyst: without wax the surface stays sticky." : "Mix into the corners of the cup: a soft corner never sets.",
            cautions: [.. resin.Hazards], useWithin: life, pour: new Poured([grams, .. wax is null ? Array.Empty<IFigure>() : [wax], drops], [grams, drops],
                Cup: new CupContents([new Ingredient(MixPart.Resin, grams.Id, grams.Id), .. Recipes.Waxed(wax), job.Dosed(drops, percent)], NeededShare: CupHeat.NeededShare(all.Ml * label.Density.GPerMl, grams.G), Wholes: (int)drops.N)));
    }

    private static void Polish(Job job, Field field)
    {
        var rungs = new List<(Grit Grit, Figure<WallTime> Minutes)>();
        foreach (var wanted in (string[])["P500", "P1000", "P2000"])
        {
            var grit = job.Nearest(wanted);
            var before = rungs.Count > 0 ? rungs[^1].Grit : null;
            if (grit == before)
            {
                job.Warnings.Add(new Warning("gap-in-drawer", $"{wanted:as-is} is not in the drawer: buy it, or the scratches of {before.Label:as-is} stay.", "polish"));
                continue;
            }

            rungs.Add((grit, job.Figure($"sand.{wanted.ToLowerInvariant()}", $"{grit.Label:as-is} wet", () => WallMin(GritLadder.Minutes(before, grit, Math.Max(field.Area.Cm2, 5))),
                before is null ? "Hard block, down to the tape, over a pencil scribble" : (Message)$"Until the scratches of {before.Label:as-is} are gone, widening each time", Grit.Source)));
        }

        var first = rungs[0].Grit.Label;
        Message finer = rungs.Count == 1 ? Message.Empty : $", {Message.Joined([.. rungs.Skip(1).Select(rung => (Message)$"{rung.Grit.Label:as-is}")], (all, next) => $"{all}, {next}")}";
        job.Do("polish", Stage.Finish, $"{first:as-is} wet to the tape, peel it, flush; then finer, compound",
            $"Pencil scribble as guide coat. {first:as-is} wet on a hard block down to the tape, peel the tape, go on until flush. Then wet{finer}, widening, then compound.",
            Math.Ceiling(rungs.Sum(rung => rung.Minutes.WallMin)) + 8,
            "Peel the tape before the last strokes, or you sand a groove beside it.", cautions: ["resin-dust"], draws: ["finish"]);
    }
}
