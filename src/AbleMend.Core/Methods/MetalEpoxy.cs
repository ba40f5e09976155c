using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>Cracks, holes and weeping seams of a metal hull: thickened epoxy outside, looked at again, slightly proud, and the same spots inside days later.</summary>
internal sealed class MetalEpoxy : MendMethod
{
    public override string Id => "metal-epoxy";

    public override string Name => "Thickened epoxy on both sides";

    public override string Why => "Brittle metal sits between two layers that hold it.";

    public override int Tidiness => 2;

    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Crack, DamageKind.Hole, DamageKind.SeamOpen];

    public override string Filler(CaseView view) => "fumed-silica";

    public override bool Takes(Material material) => material is { Chemistry: "epoxy", Cure: CureKind.TwoPart };

    protected override Message? Unfit(CaseView view) => OuterIs(view, "aluminium") && view.Construction.Silhouette == Silhouette.Hull ? null : "It is for metal hulls.";

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var rim = job.Figure("field.rim", "Bright metal round it", Mm(25), "How far the metal is keyed and covered", Source.FromMemory("How far the metal is keyed and covered"), 1);
        var field = job.Hurt.Grown("field", "Keyed", rim);
        var coat = job.Constant("field.coat", "Coat on the rim", Mm(1.5), Source.FromMemory("Enough to bridge"));
        var hole = job.Damage.Kind == DamageKind.Hole;
        job.Find().Dry();
        var drill = Open(job, hole);
        job.Scuff("P80", $"{rim} of bright metal round it", 6, ["metal-chips"]).Clean();
        double Skim() => field.Area.Cm2 * coat.Mm / 10;
        if (job.Damage.Kind == DamageKind.SeamOpen)
        {
            DrawIn(job);
        }

        Pass(job, "outside", "Mix the epoxy for the outside", "Skim it on, outside, so that it bridges", () => Skim() + (hole ? job.Hurt.Area.Cm2 * job.Depth.Mm / 10 : 0), job.Set(job.Label, "outside-mix"));
        LookAgain(job);
        var sunk = job.Constant("again.share", "What sinks, of the first", Percent(25), Source.FromMemory("What a second batch tops up"), (1, 100));
        Pass(job, "again", "Mix a little more for where it sank", "Top it up where it sank or ran, slightly proud", () => Skim() * sunk.Percent / 100, DaysLater(job));
        Inside(job, hole, rim);
        Pass(job, "inside", "Mix the epoxy for the inside", "Skim it on, inside, so that it bridges", Skim, job.Loadable(job.Label, "inside-mix"));
        job.Prove("inside-wet");
        var grit = job.Grit("blend.grit", "Or feather by hand with", "P120");
        job.Do("blend", Stage.Finish, "Feather it with a fine disc, after the float", $"{job.BlushFirst()}Fine disc, light, or a file and {grit} by hand. A drip left on does no harm.", 8, "Float it before blending: cosmetics are wasted on a leak.", cautions: ["grinder", "resin-dust"], draws: ["finish"]);
        job.Prove("fingernail");
        job.Draw(sketch =>
        {
            var (half, wide, wall) = (job.HalfMm(), job.HalfMm() + rim.Mm, job.Skin.Mm);
            sketch.Section("outside", MarkKind.Fill, true, "outside, proud", (-wide, 0), (wide, 0), (half, -coat.Mm), (-half, -coat.Mm))
                .Section("inside", MarkKind.Fill, true, "inside", (-wide, wall), (wide, wall), (half, wall + coat.Mm), (-half, wall + coat.Mm));
            if (drill is not null)
            {
                sketch.Section("cut", MarkKind.Drill, true, "stop hole", (half - (drill.Mm / 2), 0), (half + (drill.Mm / 2), 0), (half + (drill.Mm / 2), job.Depth.Mm), (half - (drill.Mm / 2), job.Depth.Mm));
            }
        });
        return job.End(job.Hurt, field);
    }

    private static Figure<Length>? Open(Job job, bool hole)
    {
        if (hole)
        {
            job.Do("open", Stage.Prepare, "File the hole round, back it", "Deburr both faces. Back it with tape and a card, or a piece of cloth, so that the fill has something to stand on.", 8,
                "A hole needs backing, thickener or cloth: epoxy alone runs through.", cautions: ["metal-chips"], draws: ["cut"]);
            return null;
        }

        if (job.Damage.Kind == DamageKind.SeamOpen)
        {
            job.Do("open", Stage.Prepare, "Scrape the seam clean, brush it bright", "Pick old sealant out of the seam and from round the rivets, brush it bright with a wire wheel, tap loose rivets tight from inside. Warm it until no damp comes out.", 10,
                "Dry right through: a wet seam takes no resin.", cautions: ["metal-chips"], draws: ["cut"]);
            return null;
        }

        var drill = job.Figure("stop-drill.size", "Stop drill", Mm(3), "At both ends of the crack, where a lens shows that it ends", Source.FromMemory("Size of the drill"), 1);
        job.Do("open", Stage.Prepare, "Stop-drill both ends, open the crack a little", $"{drill} at each end, where a lens shows that it ends; a shallow V with a file.", 8,
            "Drill past the end that you see: it goes further.", cautions: ["metal-chips"], draws: ["cut"]);
        return drill;
    }

    /// <summary>A seam is no crack: nothing is drilled, and warm metal draws runny resin into it before anything is skimmed over.</summary>
    private static void DrawIn(Job job)
    {
        var drinks = job.Constant("seam.drinks", $"A seam drinks, over {Mm(100)}", Ml(1), Source.FromMemory("What a riveted seam takes"));
        var loss = job.CupLoss();
        var need = job.Need("seam", false, () => Ml((job.Hurt.Length.Mm / 100 * drinks.Ml) + loss.Ml), "Length × what a seam drinks + what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder("seam", "Mix the runny epoxy for the seam", "with no thickener", need, job.SpreadingTime("seam", 6), null, false));
        job.Do("seam", Stage.Apply, "Run it into the warm seam", "Metal hand-warm from the dryer. Run it along the seam and round every rivet from one side until it shows on the other: it is drawn in as the metal cools. Wipe what runs down.", 6,
            "Warm the metal, not the cup.", job.Recoat(job.Label, "seam-mix"), draws: ["outside"], follows: true);
    }

    private static void LookAgain(Job job)
    {
        var again = job.Figure("look.again", "Look again after", WallMin(120), "A couple of hours", Source.CommonPractice);
        job.Do("leave", Stage.Cure, "Leave it as it lies", "It still sinks while it hardens. Go to something else, and look across it in a couple of hours.", 1, "It sinks where there was too little thickener: mark the place.",
            new StepWait(WaitKind.Recoat, CureMin(again.WallMin), null, "outside-mix", Curing.CureClock.For(job.Main), "Is it firm, and where did it sink?", 30, Because: again.Id, Material: job.Main.Id).At(job.Pace(job.Main)));
    }

    private static StepWait DaysLater(Job job)
    {
        var days = job.Figure("look.inside", "Then inside after", Hours(48), "Days later", Source.CommonPractice);
        var minutes = job.Figures.Work("look.inside-min", "In minutes", () => WallMin(days.H * 60), "Hours × 60", Source.Arithmetic);
        return Waits.ByTheClock(WaitKind.Hold, minutes, "Does it ring when it is knocked?", 240);
    }

    private static void Inside(Job job, bool hole, Figure<Length> rim)
    {
        Message backing = hole ? "Take the backing and its tape off. " : Message.Empty;
        job.Do("turn", Stage.Prepare, "Turn the hull, make the inside bright", $"{backing}The same spots inside, so that brittle metal sits between two layers: {(ITold)job.Figures.Find("scuff.grit")!} over {rim} of metal until it is bright, brush it off, wipe it as outside, let it flash.", 8,
            "Mark the spots inside before you turn it: they are hard to find.", job.FlashAgain(), ["metal-chips", .. job.Materials.Cleaner.Hazards]);
    }

    private static void Pass(Job job, string id, Message mix, Message title, Func<double> ml, StepWait wait)
    {
        var loss = job.CupLoss();
        var need = job.Need(id, true, () => Ml(ml() + loss.Ml), "Keyed field × coat, the hole's volume, and what stays in the cup", Source.Arithmetic);
        job.Mix(new MixOrder(id, mix, "then the thickener until it stands", need, job.SpreadingTime(id, 5), job.Materials.Filler, false));
        job.Do(id, Stage.Apply, title, "Press the first skim into the metal, then draw the thickened mix over it, slightly proud.", 5, "The thickener: without it the mix runs and sinks.",
            wait, draws: [id], follows: true);
    }
}
