using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods.Steps;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods;

/// <summary>
/// Sand, fill, glass, coat: open it to sound material, fill the core flush, lay patches over it, and finish with a
/// sanding coat. How much of that is needed follows from the depth: no fill where the foam is closed, no cloth where
/// only the coat is hurt.
/// </summary>
public sealed class FillGlassCoat : MendMethod
{
    /// <summary>Margin of the smallest patch past the cut-out, in millimetres. From memory.</summary>
    public const double PatchMarginMm = 20;

    /// <summary>How much further each next patch reaches, in millimetres. From memory.</summary>
    public const double PatchStepMm = 15;

    /// <summary>How far fill stands proud before it is cut back, in millimetres. Common practice: a little.</summary>
    public const double FillProudMm = 0.5;

    /// <summary>Thickest pass of thickened resin in millimetres. From memory: more than this traps air and heats.</summary>
    public const double PassMm = 12;

    /// <summary>Thickness of a sanding coat in millimetres: thin. From memory.</summary>
    public const double CoatMm = 0.15;

    /// <summary>How far the coat reaches past the cut-out where no cloth is laid, in millimetres. From memory.</summary>
    public const double CoatMarginMm = 10;

    /// <summary>Resin that wets the keyed ground under the cloth, as a film in millimetres. From memory.</summary>
    public const double GroundFilmMm = 0.05;

    public override string Id => "fill-glass-coat";

    public override string Name => "Sand, fill, glass, coat";

    public override string Why => "Rebuilds core, cloth and coat: as strong as it was, and for good.";

    public override int Skill => 2;

    public override int Tidiness => 4;

    /// <inheritdoc/>
    public override IReadOnlyList<string> Schools => ["ding", "patch-order", "uv-resin", "dry-finish", "fill-thickness"];

    /// <inheritdoc/>
    protected override IReadOnlyList<DamageKind> Kinds => [DamageKind.Ding, DamageKind.Crack, DamageKind.Hole, DamageKind.FinBoxSurround];

    /// <inheritdoc/>
    protected override string? Unfit(CaseView view) =>
        !view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("laminate")) ? "There is no laminate here to rebuild."
        : view.Reach.Layers.Any(layer => layer.Substance.Families.Contains("carbon")) ? "A thin carbon laminate is scarfed, ply for ply." : null;

    public override bool Takes(Material resin) => resin.Role == Role.Resin && resin.Suits is null;

    public override Composition Compose(MethodInputs inputs)
    {
        var view = inputs.View;
        var cut = Ground.CutOutline(inputs);
        var plies = PlyCount(view);
        var patches = Patches(inputs, cut, plies);
        var largest = patches.Count > 0 ? cut.Grown(patches.Max(patch => patch.MarginMm)) : cut.Grown(CoatMarginMm);
        var key = largest.Grown(Ground.KeyBeyondMm);
        var steps = new List<PlanStep>();
        AddGround(steps, inputs, key, patches);
        if (view.Reach.FoamOpen)
        {
            AddFill(steps, inputs, cut);
        }

        if (plies > 0)
        {
            AddGlass(steps, inputs, patches, largest, plies);
        }

        AddCoat(steps, inputs, key);
        var warnings = new List<Warning>();
        var loadable = Waits.Loadable(view, inputs.Materials.Main, inputs.Materials.Main.Cure == CureKind.Light ? "coat" : "coat-mix");
        AddFinish(steps, inputs, key, loadable, warnings);
        return new Composition(steps, patches, Profile(inputs, cut, key, plies), key.Pieces, cut.Pieces, warnings, []);
    }

    private static int PlyCount(CaseView view) =>
        view.Reach.FoamOpen || view.Case.Damage.Kind == DamageKind.FinBoxSurround ? 2 : view.Reach.ClothBroken ? 1 : 0;

    private static IReadOnlyList<Patch> Patches(MethodInputs inputs, Outline cut, int plies)
    {
        if (plies == 0)
        {
            return [];
        }

        var sheet = inputs.Sheet;
        var margin = sheet.Put("patch.margin", "Smallest patch reaches past the cut", new Worked(PatchMarginMm, "mm", new Derivation(
            "Enough for the feather and for a hand to lay it", Source.FromMemory("Hard boards; common practice has no one figure"), [])));
        var step = plies < 2 ? 0 : sheet.Put("patch.step", "Each next patch reaches further by", new Worked(PatchStepMm, "mm", new Derivation(
            "Steps the edges so that no two end in one line", Source.FromMemory("Hard boards; common practice has no one figure"), [])));
        var largestFirst = inputs.View.School("patch-order") == "large-first";
        var cloths = Enumerable.Repeat(inputs.Materials.Cloth.Id, plies).ToList();
        var patches = PatchStack.Over(cut, cloths, margin, step, largestFirst);
        var laminate = plies * inputs.Materials.Cloth.PlyMm!.Value;
        sheet.Put("patch.feather", "Feather", new Worked(Feather.WidthMm(laminate, Feather.HullTaper), "mm", new Derivation(
            "Thickness of the laminate × taper", Source.CommonPractice,
            [new("Laminate", laminate, "mm"), new("Taper", Feather.HullTaper, "to 1")], "8 to 12 to 1 are usual.")), 1);
        return patches;
    }

    private static void AddGround(List<PlanStep> steps, MethodInputs inputs, Outline key, IReadOnlyList<Patch> patches)
    {
        var view = inputs.View;
        if (view.Case.Damage.Wet)
        {
            steps.Add(Ground.Dry());
        }

        if (view.Location.FinBox)
        {
            steps.Add(Ground.FinRock());
        }

        steps.Add(Ground.CutAway(view.Reach.FoamOpen));
        steps.Add(patches.Count > 0
            ? Ground.Key(inputs, key, 6, "Outline of the largest patch, grown by the margin beyond it", new Input("Beyond the patch", Ground.KeyBeyondMm, "mm"))
            : Ground.Key(inputs, key, 6, "Outline that is cut away, grown by the coat's margin and the margin beyond it",
                new Input("Coat past the cut", CoatMarginMm, "mm"), new Input("Beyond the coat", Ground.KeyBeyondMm, "mm")));
        if (patches.Count > 0)
        {
            steps.Add(CutCloth(inputs, patches));
        }

        steps.Add(Ground.Mask(view));
        steps.Add(Ground.Clean(inputs));
    }

    private static PlanStep CutCloth(MethodInputs inputs, IReadOnlyList<Patch> patches)
    {
        inputs.Sheet.Put("glass.area", "Cloth, all patches", new Worked(patches.Sum(patch => patch.AreaCm2), "cm²", new Derivation(
            "Sum of the patches' areas", Source.Arithmetic, [.. patches.Select(patch => new Input($"Patch {patch.Order}", patch.AreaCm2, "cm²"))])));
        return new PlanStep("cut-cloth", Stage.Shape, patches.Count > 1 ? "Cut the patches" : "Cut the patch",
            "Print the template, check its ruler, cut every corner round. Lay them dry, mark the middle, put them in the order in which they go on.",
            ["patch.margin", .. patches.Count > 1 ? ["patch.step"] : Array.Empty<string>(), "patch.feather", "glass.area"], ["glass-dust"],
            "Cut all cloth before anything is mixed.", new StepTiming("cut-cloth", 6, false, null), null, ["patches-dry"]);
    }

    private static void AddFill(List<PlanStep> steps, MethodInputs inputs, Outline cut)
    {
        var (view, resin, sheet) = (inputs.View, inputs.Materials.Main, inputs.Sheet);
        var depth = view.Case.Damage.DepthMm;
        var cavity = sheet.Put("fill.cavity", "Cavity", Fills.Cavity(inputs, cut, depth), 1);
        var proud = sheet.Put("fill.proud", "Fill stands proud", new Worked(FillProudMm, "mm", new Derivation(
            "A little proud, because it is cut back; more only costs sanding", Source.CommonPractice, [])), 1);
        var need = Fills.ToMix(cavity, cut.AreaMm2, proud, Fills.ShrinkPercent(resin.Chemistry));
        var mix = Mixes.Mix(inputs, new MixOrder("fill", "Mix the fill", "then the filler until it stands", need, 5, inputs.Materials.Filler, true));
        steps.Add(mix with { Figures = ["fill.cavity", "fill.proud", .. mix.Figures] });
        var layers = resin.Light is { } light ? Math.Ceiling(depth / light.LayerMm) : Passes(view, depth);
        if (layers > 1)
        {
            sheet.Put("fill.layers", "Layers", new Worked(layers, "", new Derivation(
                resin.Light is null ? "Depth ÷ one thin pass, rounded up: thin passes trap less air and heat less" : "Depth ÷ the most that light cures at once, rounded up",
                Source.FromMemory(resin.Light is null ? "Thickness of a pass" : "Layer of the label"),
                [new("Depth", depth, "mm"), new("One layer", resin.Light?.LayerMm ?? PassMm, "mm")])));
        }

        var tint = view.Case.Wanted.Tint ? "Tint the bare foam first. " : "";
        var layered = layers > 1 ? resin.Light is null ? $"Work in {layers:0} passes, each firm before the next. " : $"Work in {layers:0} layers, each set in the light before the next. " : "";
        var wait = Waits.Sandable(view, resin, "fill-mix");
        steps.Add(new PlanStep("fill", Stage.Apply, "Fill it, a little proud",
            $"{tint}{layered}Press it into the corners with a card so that no air is left, draw it off {proud:0.0} mm proud. Set a stick in a drip beside it as witness.",
            layers > 1 ? ["fill.proud", "fill.layers"] : ["fill.proud"], [], "Leave a witness of the same mix beside it.",
            new StepTiming("fill", 5 * layers, true, wait with { OpensMin = wait.OpensMin + BetweenPasses(view, resin, layers, wait.OpensMin) }), null, ["fill"]));
        steps.Add(new PlanStep("fair", Stage.Shape, "Fair the fill flush", "Hard block and the keying grit: flush, and the rim keyed again. Blow it off, wipe it, let it flash.",
            [], ["resin-dust", "glass-dust"], "Key the fill too: no shine may be left.",
            new StepTiming("fair", 8, false, Ground.Flashing(inputs.Materials.Cleaner)), null, ["fair"]));
    }

    /// <summary>Passes of a fill that sets by itself: several thin ones by the default school once it is deeper than one.</summary>
    private static double Passes(CaseView view, double depthMm) =>
        view.School("fill-thickness") == "thin-passes" ? Math.Max(1, Math.Ceiling(depthMm / PassMm)) : 1;

    /// <summary>Minutes that the passes before the last one add: light has to set each, what sets by itself has to be firm.</summary>
    private static double BetweenPasses(CaseView view, Material resin, double layers, double opensMin) =>
        (layers - 1) * (resin.Light is null ? Waits.Recoat(view, resin, null).OpensMin : opensMin);

    private static void AddGlass(List<PlanStep> steps, MethodInputs inputs, IReadOnlyList<Patch> patches, Outline largest, int plies)
    {
        var (view, sheet) = (inputs.View, inputs.Sheet);
        var clothArea = sheet.Figures.First(figure => figure.Id == "glass.area").Value;
        var workMin = 4 + (clothArea * 0.012);
        steps.Add(Mixes.Mix(inputs, new MixOrder("glass", "Mix the resin for the cloth", "to wet the ground and the cloth", GlassNeed(inputs, clothArea, largest), workMin, null, false)));
        var smallFirst = view.School("patch-order") == "small-first";
        var order = plies == 1 ? "Lay the patch" : smallFirst ? "Smaller patch first, the larger over it" : "Larger patch first, the smaller over it";
        steps.Add(new PlanStep("glass", Stage.Apply, plies > 1 ? "Lay the patches" : "Lay the patch",
            $"Wet the ground. {order}. Draw the resin through with a card from the middle outwards: saturated, no pools, no bubbles. Leave the stick in the cup as witness.",
            ["glass.area"], [], "Turn the edges down with the card: a lifted thread shows for ever.",
            new StepTiming("glass", Math.Ceiling(workMin), true, AfterGlass(view, inputs.Materials.Main, "glass-mix")), null,
            [.. patches.Select(patch => $"patch-{patch.Order}")]));
        steps.Add(Finish.Prove("tap"));
        if (inputs.Materials.Main.AirInhibited)
        {
            return;
        }

        steps.Add(new PlanStep("blend", Stage.Shape, "Blend the edge and tape again",
            $"{Ground.NearestGrit(view.Drawer, Ground.KeyGrit).Label} on a hard pad: feather the edge of the cloth into the skin, dull the whole face. Blow it off, wipe it, let it flash. New tape.",
            ["patch.feather"], ["resin-dust", "glass-dust"], "Stop when the weave just shows: sanding cloth away weakens it.",
            new StepTiming("blend", 8, false, Ground.Flashing(inputs.Materials.Cleaner)), null, ["feather"]));
    }

    /// <summary>
    /// Laminating polyester stays tacky in air and cannot be sanded: the coat goes on inside its recoat window. Other
    /// resins are sanded first.
    /// </summary>
    private static StepWait AfterGlass(CaseView view, Material resin, string from) =>
        resin.AirInhibited ? Waits.Recoat(view, resin, from) : Waits.Sandable(view, resin, from);

    private static Worked GlassNeed(MethodInputs inputs, double clothCm2, Outline largest)
    {
        var (cloth, resin) = (inputs.Materials.Cloth, inputs.Materials.Main);
        var clothMl = Laminate.ResinG(clothCm2, cloth.ArealWeightGPerM2!.Value, Laminate.HandLayUpFibreShare) / resin.DensityGPerMl!.Value;
        var groundMl = Laminate.CoatMl(largest.AreaMm2 / 100, GroundFilmMm);
        return new Worked(clothMl + groundMl + Mixes.CupLossMl, "mL", new Derivation(
            "Area × areal weight × (1 − w)/w ÷ density + film on the ground + what stays in the cup",
            Source.FromMemory("Fibre share of a hand lay-up, film and cup loss; the formula is arithmetic"),
            [
                new("Cloth", clothCm2, "cm²"), new("Areal weight", cloth.ArealWeightGPerM2.Value, "g/m²"),
                new("Fibre share w", Laminate.HandLayUpFibreShare, ""), new("Resin in the cloth", clothMl, "mL"),
                new("Film on the ground", groundMl, "mL"), new("Stays in the cup", Mixes.CupLossMl, "mL"),
            ]));
    }

    private static void AddCoat(List<PlanStep> steps, MethodInputs inputs, Outline key)
    {
        var (view, resin) = (inputs.View, inputs.Materials.Main);
        var area = key.AreaMm2 / 100;
        var thickness = inputs.Sheet.Put("coat.thickness", "Sanding coat", new Worked(CoatMm, "mm", new Derivation(
            "Thin: enough to bury the weave and be cut back", Source.FromMemory("Sanding coat by brush"), [])), 2);
        var need = new Worked(Laminate.CoatMl(area, thickness) + Mixes.CupLossMl, "mL", new Derivation(
            "Area × thickness + what stays in the cup", Source.Arithmetic,
            [new("Area", area, "cm²"), new("Thickness", thickness, "mm"), new("Stays in the cup", Mixes.CupLossMl, "mL")]));
        var mix = Mixes.Mix(inputs, new MixOrder("coat", "Mix the sanding coat", "for a thin sanding coat", need, 5, null, true));
        steps.Add(mix with { Figures = ["coat.thickness", .. mix.Figures] });
        steps.Add(new PlanStep("coat", Stage.Apply, "Brush the sanding coat, thin",
            "Brush it out thin and even to the tape, tip it off one way, look across the light for misses. Pull the tape while it is still soft.",
            ["coat.thickness"], [], "Pull the tape before it sets.",
            new StepTiming("coat", 5, true, Waits.Sandable(view, resin, "coat-mix")), null, ["coat"]));
    }

    private static void AddFinish(List<PlanStep> steps, MethodInputs inputs, Outline key, StepWait loadable, List<Warning> warnings)
    {
        steps.Add(Finish.Sand(inputs, key.AreaMm2 / 100, warnings));
        steps.Add(Finish.Prove("fingernail", inputs.View.Location.FinBox ? null : loadable));
        if (inputs.View.Location.FinBox)
        {
            steps.Add(Finish.Prove("fin-fit", loadable));
        }

        steps.Add(Finish.Prove("float"));
    }

    private static WorkProfile Profile(MethodInputs inputs, Outline cut, Outline key, int plies)
    {
        var reach = inputs.View.Reach;
        var ply = inputs.Materials.Cloth.PlyMm!.Value;
        return new WorkProfile(
            cut.LengthMm / 2,
            inputs.View.Case.Damage.DepthMm,
            Feather.WidthMm(plies * ply, Feather.HullTaper),
            key.LengthMm / 2,
            reach.FoamOpen ? inputs.View.Case.Damage.DepthMm : 0,
            reach.FoamOpen ? FillProudMm : 0,
            CoatMm,
            0,
            ply);
    }
}
