using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>
/// Quick: light-cured resin with chopped fibre, drawn flat under a release film and set in the light. Flush under the
/// film, so nothing is sanded. It holds for now; the proper repair is booked.
/// </summary>
public sealed class UvUnderFilm : MendMethod
{
    /// <summary>How far the taped square reaches past the cut-out, in millimetres. From memory.</summary>
    public const double SquareMarginMm = 20;

    /// <summary>Thickness of the film of resin over the keyed rim, in millimetres. From memory.</summary>
    public const double RimMm = 0.2;

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
    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Ding, DamageKind.Crack, DamageKind.Hole];

    /// <inheritdoc/>
    public override string Filler(CaseView view) => "chopped-glass";

    public override int Skill => 1;

    public override int Tidiness => 3;

    /// <inheritdoc/>
    protected override string? Unfit(CaseView view) =>
        view.Reach.Layers.All(layer => !layer.Substance.Families.Contains("laminate")) || view.Construction.Family != GearFamily.Boards ? "It is for laminated boards."
        : view.Case.Damage.DepthMm > DeepestMm ? $"Deeper than {DeepestMm:0} mm: fibres and film do not make a core."
        : null;

    public override bool Takes(Material resin) => resin.Cure == CureKind.Light;

    public override Composition Compose(MethodInputs inputs)
    {
        var cut = Ground.CutOutline(inputs);
        var margin = inputs.Sheet.Put("film.margin", "Taped square past the cut", new Worked(SquareMarginMm, "mm", new Derivation(
            "Room for the resin to feather out and for tape to hold the film", Source.FromMemory("Film repair of a deck"), [])));
        var key = cut.Grown(margin);
        var steps = new List<PlanStep>();
        if (inputs.View.Case.Damage.Wet)
        {
            steps.Add(Ground.Dry());
        }

        steps.Add(Ground.CutAway(inputs.View.Reach.FoamOpen));
        steps.Add(Ground.Key(inputs, key, 4, "Outline that is cut away, grown to the tape", new Input("Past the cut", margin, "mm")));
        steps.Add(Ground.Mask(inputs.View));
        steps.Add(Ground.Clean(inputs));
        steps.Add(FilmReady());
        steps.Add(Mix(inputs, cut, key));
        steps.Add(Spread(inputs));
        steps.Add(Peel(inputs));
        steps.Add(Finish.Prove("fingernail"));
        steps.Add(Finish.Prove("thumb"));
        return new Composition(steps, [], Profile(inputs, cut, key), key.Pieces, cut.Pieces, [], []);
    }

    private static PlanStep FilmReady() =>
        new("film", Stage.Prepare, "Tape one side of the film down, ready",
            "Cut parchment or waxed sheet larger than the square, tape it down tight along one side, fold it back out of the way.",
            ["film.margin"], [], "The film is ready before the resin is out.",
            new StepTiming("film", 3, false, null), null, ["film-open"]);

    private static PlanStep Mix(MethodInputs inputs, Outline cut, Outline key)
    {
        var depth = inputs.View.Case.Damage.DepthMm;
        var cavity = inputs.Sheet.Put("fill.cavity", "Cavity", Fills.Cavity(inputs, cut, depth), 1);
        var rimMl = (key.AreaMm2 - cut.AreaMm2) * RimMm / 1000;
        var need = Fills.ToMix(cavity + rimMl, cut.AreaMm2, 0, Fills.ShrinkPercent(inputs.Materials.Main.Chemistry));
        var mix = Mixes.Mix(inputs, new MixOrder("fill", "Mix the fill", "with the chopped glass pulled apart into it", need, 4, inputs.Materials.Filler, false));
        return mix with { Figures = ["fill.cavity", .. mix.Figures] };
    }

    private static PlanStep Spread(MethodInputs inputs)
    {
        var (view, resin) = (inputs.View, inputs.Materials.Main);
        var depth = view.Case.Damage.DepthMm;
        var layers = Math.Ceiling(depth / resin.Light!.LayerMm);
        inputs.Sheet.Put("fill.layers", "Layers", new Worked(layers, "", new Derivation(
            "Depth ÷ the most that light cures at once, rounded up", Source.FromMemory("Layer of the label"),
            [new("Depth", depth, "mm"), new("One layer", resin.Light.LayerMm, "mm")])));
        var wait = Waits.Sandable(view, resin, null);
        var labelMin = resin.Label!.SandableMin ?? resin.Label.LoadableMin;
        inputs.Sheet.Put("light.minutes", "Look at the witness after", Waits.LightMinutes(view, resin, wait.OpensMin * layers,
            "Label's minutes under film in full daylight × factor of the light × layers", Curing.Daylight.Source,
            new Input("Label", labelMin, "min"), new Input("This light", wait.OpensMin / labelMin, "×"), new Input("Layers", layers, "")));
        var layered = layers > 1 ? $"Fill in {layers:0} layers, each set in the light before the next; the last one goes under the film. " : "";
        return new PlanStep("spread", Stage.Apply, "Spread it, film over, squeegee flat",
            $"{layered}Spread it, pull the film over, squeegee from the taped side until it lies flat and flush, tape the other sides tight. Lay the mixing stick beside it as witness. Then out into the light.",
            ["fill.layers", "light.minutes"], ["uv-eyes"], "Leave the mixing stick beside it: it is your witness.",
            new StepTiming("spread", 4, true, wait with
            {
                OpensMin = wait.OpensMin * layers,
                Check = "Is the resin on the mixing stick hard? Leave the film until it is.",
            }),
            null, ["fill", "film"]);
    }

    private static PlanStep Peel(MethodInputs inputs) =>
        new("peel", Stage.Finish, "Peel the film",
            "Only when the stick is hard: peel from one corner, flat back over itself. Take the tape off. No finish sanding: knock an edge down only where a nail catches.",
            [], [], "Book the proper repair now, while it is in your hand.",
            new StepTiming("peel", 3, false, Waits.Loadable(inputs.View, inputs.Materials.Main, null) with { CountsFrom = "spread" }), null, ["finish"]);

    private static WorkProfile Profile(MethodInputs inputs, Outline cut, Outline key) =>
        new(cut.LengthMm / 2, inputs.View.Case.Damage.DepthMm, 0, key.LengthMm / 2, inputs.View.Case.Damage.DepthMm, 0, 0,
            (key.LengthMm / 2) + 15, inputs.Materials.Cloth.PlyMm!.Value);
}
