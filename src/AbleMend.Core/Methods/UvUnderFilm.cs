using AbleMend.Core.Cases;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods;

/// <summary>
/// Quick: light-cured resin with chopped fibre, drawn flat under a release film and set in the light. Flush under the
/// film, so nothing is sanded. It holds for now; the proper repair is booked.
/// </summary>
internal sealed class UvUnderFilm : MendMethod
{
    /// <summary>Days until the proper repair is due. From memory: a season's month.</summary>
    public const int ProperRepairDays = 30;

    /// <summary>Deepest cavity in millimetres that is filled this way: two layers of the usual resin. From memory.</summary>
    public const double DeepestMm = 12;

    public override string Id => "uv-under-film";

    public override string Name => "UV resin under film";

    public override string Why => "In the water the same hour: flush under the film, no finish sanding.";

    /// <inheritdoc/>
    public override ProperRepair? Proper { get; } = new("Sand, fill, glass and coat it", ProperRepairDays);

    /// <inheritdoc/>
    public override IReadOnlyList<string> Schools => ["ding", "uv-resin"];

    /// <inheritdoc/>
    public override IReadOnlyList<DamageKind> Kinds => [DamageKind.Ding, DamageKind.Crack, DamageKind.Hole];

    /// <inheritdoc/>
    public override string Filler(CaseView view) => "chopped-glass";

    public override int Skill => 1;

    public override int Tidiness => 3;

    /// <inheritdoc/>
    protected override Message? Unfit(CaseView view) =>
        view.Reach.Layers.All(layer => !layer.Substance.Families.Contains("laminate")) || view.Construction.Family != GearFamily.Boards ? "It is for laminated boards."
        : view.Damage.DepthMm > DeepestMm ? (Message)$"Deeper than {Mm(DeepestMm)}: fibres and film do not make a core."
        : null;

    public override bool Takes(Material resin) => resin.Cure == CureKind.Light;

    public override Composition Compose(MethodInputs inputs)
    {
        var job = new Job(inputs);
        var cut = job.CutAwayField();
        var margin = job.Figure("film.margin", "Taped square past the cut", Mm(20), "Room for the resin to feather out and for tape to hold the film", Source.FromMemory("Film repair of a deck"), 1);
        var key = cut.Grown("key", "Keyed", margin);
        job.Dry().CutAway().Key(key, 4).Mask(key).Clean();
        job.Do("film", Stage.Prepare, "Tape one side of the film down, ready",
            "Cut parchment or waxed sheet larger than the square, tape it down tight along one side, fold it back out of the way.",
            3, "The film is ready before the resin is out.", draws: ["film-open"], shows: [margin]);
        Mix(job, cut, key);
        Spread(job);
        job.Do("peel", Stage.Finish, "Peel the film",
            "Only when the stick is hard: peel from one corner, flat back over itself. Take the tape off. No finish sanding: knock an edge down only where a nail catches.",
            3, "Book the proper repair now, while it is in your hand.", job.Loadable(job.Label, null) with { CountsFrom = "spread" }, draws: ["finish"]);
        job.Prove("fingernail").Prove("thumb");
        var ply = job.LabelOf(job.Materials.Cloth).Ply;
        return job.End(cut, key, profile: () => new WorkProfile(cut.Length.Mm / 2, job.Depth.Mm, 0, key.Length.Mm / 2, job.Depth.Mm, 0, 0, (key.Length.Mm / 2) + 15, ply.Mm));
    }

    private static void Mix(Job job, Field cut, Field key)
    {
        var cavity = job.Cavity(cut, job.Depth);
        var film = job.Constant("film.rim", "Film of resin on the rim", Mm(0.2), Source.FromMemory("Film of resin over the keyed rim"));
        var need = job.ToMix(true, job.Derive(() => cavity.Ml + ((key.Area.Cm2 - cut.Area.Cm2) * film.Mm / 10)), cut, null);
        var layers = Layers(job);
        if (layers.N > 1 && Recipes.UsesPeroxide(job))
        {
            need = LayByLay(job, need, (int)layers.N);
        }

        job.Mix(new MixOrder("fill", "Mix the fill", "with the chopped glass pulled apart into it", need, job.SpreadingTime("fill", 4), job.Materials.Filler, false));
    }

    private static Figure<Count> Layers(Job job) =>
        job.Figures.Find("fill.layers") as Figure<Count>
        ?? job.Figure("fill.layers", "Layers", () => Count(Math.Ceiling(job.Depth.Mm / job.Label.LightLayer.Mm)), "Depth ÷ the most that light cures at once, rounded up", Source.Arithmetic, between: (1, 60));

    /// <summary>All layers but the last, each from a cup of its own: what is catalysed does not keep until the one before it has set.</summary>
    /// <returns>What the last one needs.</returns>
    private static Figure<Volume> LayByLay(Job job, Figure<Volume> need, int layers)
    {
        var loss = job.CupLoss();
        var each = job.Figure("fill.each", "One layer needs", () => Ml(((need.Ml - loss.Ml) / layers) + loss.Ml), "What is needed ÷ layers, and what stays in each cup", Source.Arithmetic, 1);
        for (var layer = 1; layer < layers; layer++)
        {
            var prefix = $"layer-{layer}";
            job.Mix(new MixOrder(prefix, $"Mix layer {layer} of {layers}", "with the chopped glass pulled apart into it", each, job.SpreadingTime(prefix, 4), job.Materials.Filler, false));
            job.Do(prefix, Stage.Apply, $"Lay layer {layer} of {layers}", "Press it into the corners, no thicker than light reaches, then into the light.", 3, "Leave a stick of the same mix beside it as witness.",
                job.Sandable(job.Label, null), ["uv-eyes"], ["fill"], follows: true);
        }

        return each;
    }

    private static void Spread(Job job)
    {
        var label = job.Label;
        var layers = Layers(job);
        var alone = layers.N > 1 && Recipes.UsesPeroxide(job);
        var time = job.LightTime(label, label.Sandable);
        var needed = job.Figures.Work("light.daylight", "Light that it takes", () => CureMin(time.CureMin * (alone ? 1 : layers.N)), "Label's minutes under film × factor of the light × layers", Curing.Daylight.Source);
        job.InTheLight("Look at the witness after", needed);
        Message layered = layers.N > 1 && !alone ? (Message)$"Fill in {layers} layers, each set in the light before the next; the last one goes under the film. " : Message.Empty;
        job.Do("spread", Stage.Apply, "Spread it, film over, squeegee flat",
            $"{layered}Spread it, pull the film over, squeegee from the taped side until it lies flat and flush, tape the other sides tight. Lay the mixing stick beside it as witness. Then out into the light.",
            4, "Leave the mixing stick beside it: it is your witness.", cautions: ["uv-eyes"], draws: ["fill", "film"], follows: true,
            wait: job.Sandable(label, null).OfLayers(alone ? 1 : layers.N) with { OpensMin = needed.Value, Check = "Is the resin on the mixing stick hard? Leave the film until it is.", Because = needed.Id });
    }
}
