using System.Runtime.CompilerServices;
using AbleMend.Core.Cases;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Matching;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Quantities;
using AbleMend.Core.Timing;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Methods.Steps;

/// <summary>
/// A job card: a method is written down as it is done, figures as they are needed, then the step that uses them. Figures are
/// handles: sentences, waits, drawings and later figures take the handle, so that a figure set by hand reaches all of them.
/// </summary>
/// <param name="inputs">Case, materials and figures.</param>
internal sealed class Job(MethodInputs inputs) : IWordy
{
    private static readonly Dictionary<string, Actual> NothingYet = [];

    private readonly List<PlanStep> _steps = [];
    private readonly List<Action<Sketch>> _draws = [];
    private readonly List<Warning> _warnings = [];
    private readonly List<IFigure> _fresh = [];
    private readonly Dictionary<string, IReadOnlyList<string>> _onlyFresh = [];
    private readonly List<LabelOf> _labels = [];
    private readonly List<SharableMix> _mixes = [];
    private readonly List<Taking> _taken = [];
    private readonly List<GivenOff> _vapours = [];

    /// <inheritdoc/>
    public bool WantsWords => !inputs.TimingOnly;

    /// <value>The case.</value>
    public CaseView View => inputs.View;

    /// <value>The damage.</value>
    public Damage Damage => View.Damage;

    /// <value>The material that holds.</value>
    public Material Main => inputs.Materials.Main;

    /// <value>The materials of the system.</value>
    public ChosenMaterials Materials => inputs.Materials;

    /// <value>The figures.</value>
    public FigureGraph Figures => inputs.Figures;

    /// <value>What wants to be known.</value>
    public List<Warning> Warnings => _warnings;

    /// <value>The mixes that are shared with other damages; null for none.</value>
    public SharedCups? Cups => inputs.Cups;

    /// <value>Mixes that other damages of the item could share.</value>
    public List<SharableMix> Sharable => _mixes;

    /// <value>What the label of the material that holds says.</value>
    public LabelOf Label => LabelOf(Main);

    /// <value>Grits that the work asks for and the drawer does not have.</value>
    public SortedSet<string> MissingGrits { get; } = new(Comparer<string>.Create((one, other) => Finishing.Grit.TryParse(other)!.MedianUm.CompareTo(Finishing.Grit.TryParse(one)!.MedianUm)));

    /// <value>What is hurt.</value>
    public Field Hurt => field ??= Field.Hurt(Figures, View.Outline);

    /// <value>Depth of the damage.</value>
    public Figure<Length> Depth => Figures.Fact("damage.depth", "Depth of the damage", Mm(Damage.DepthMm));

    /// <value>Thickness of the outermost layer.</value>
    public Figure<Length> Skin => Figures.Fact("item.skin", $"{View.Reach.Layers[0].Layer.Name}: thickness", Mm(View.Reach.Layers[0].Layer.ThicknessMm), Source.OfEntry(View.Construction.Source));

    /// <value>Air at the bench.</value>
    public Figure<Temperature> Bench => Figures.Fact("bench.temperature", "Bench", Celsius(View.Case.Bench.TemperatureC));

    /// <value>Humidity at the bench.</value>
    public Figure<Share> Humidity => Figures.Fact("bench.humidity", "Relative humidity", Percent(View.Case.Bench.RelativeHumidityPercent));

    /// <summary>How fast a material sets here beside its label, as touch has taught; null where its label is all that is known.</summary>
    public Figure<Factor>? PaceFigure(Material material) =>
        View.PaceOf(material.Id) is not { } pace ? null
        : Figures.Fact($"pace.{material.Id}", $"{material.Name}: its pace here beside its label", Times(pace.Rate),
            new Source(SourceKind.Shop, $"Learnt at this bench from {pace.Looks} looks: between {Times(pace.Least):0.00} and {Times(pace.Most):0.00}, nine times in ten. {LearntPace.Source.Citation}."), 2);

    /// <summary>The same as a number: 1 where its label is all that is known.</summary>
    public double Pace(Material material) => PaceFigure(material)?.Times ?? 1;

    /// <summary>The clock of what is open in a cup or on a face: never slower than the label's, however slowly it has set before.</summary>
    public CureClock LifeClock(Material material) => CureClock.For(material) with { Pace = Math.Max(1, Pace(material)) };

    /// <summary>What a material's label says.</summary>
    public LabelOf LabelOf(Material material)
    {
        foreach (var known in _labels)
        {
            if (ReferenceEquals(known.Material, material))
            {
                return known;
            }
        }

        var label = new LabelOf(Figures, material);
        _labels.Add(label);
        return label;
    }

    /// <summary>A figure that is worked out from others.</summary>
    /// <param name="id">Identifier, unique in the plan.</param>
    /// <param name="label">What it is.</param>
    /// <param name="work">Works it out.</param>
    /// <param name="rule">The formula or rule in words.</param>
    /// <param name="source">Where the rule comes from.</param>
    /// <param name="decimals">Digits after the point to show at most; null for the unit's own.</param>
    /// <param name="wouldChange">What would change it.</param>
    /// <param name="between">Least and most that may be set by hand, or null.</param>
    /// <param name="knows">Which values there are at all, or null.</param>
    public Figure<TQuantity> Figure<TQuantity>(
        string id, [InterpolatedStringHandlerArgument("")] Message label, Func<TQuantity> work, [InterpolatedStringHandlerArgument("")] Message rule, Source source, int? decimals = null, Func<Message?>? wouldChange = null,
        (double Least, double Most)? between = null, Func<double, bool>? knows = null)
        where TQuantity : struct, IQuantity<TQuantity>
    {
        var figure = Figures.Work(id, label, work, rule, source, decimals, wouldChange, between, knows);
        if (!inputs.TimingOnly)
        {
            _fresh.Add(figure);
        }

        return figure;
    }

    /// <summary>A figure that a rule of the trade sets.</summary>
    public Figure<TQuantity> Figure<TQuantity>(string id, [InterpolatedStringHandlerArgument("")] Message label, TQuantity value, [InterpolatedStringHandlerArgument("")] Message rule, Source source, int? decimals = null, Func<Message?>? wouldChange = null, (double Least, double Most)? between = null)
        where TQuantity : struct, IQuantity<TQuantity> => Figure(id, label, () => value, rule, source, decimals, wouldChange, between);

    /// <summary>A value of the trade that figures are worked out from; it is only shown in their reasons.</summary>
    public Figure<TQuantity> Constant<TQuantity>(string id, [InterpolatedStringHandlerArgument("")] Message label, TQuantity value, Source source, (double Least, double Most)? between = null)
        where TQuantity : struct, IQuantity<TQuantity> => Figures.Constant(id, label, value, source, null, between);

    /// <summary>A value that figures are made from and that is not shown by itself.</summary>
    public Derived<T> Derive<T>(Func<T> work) => Figures.Derive(work);

    /// <summary>Reads the figures that the times of all steps so far rest on, so that what is worked out for then says so.</summary>
    public void ReadTimes()
    {
        foreach (var because in _steps.Select(step => step.Timing.Wait?.Because).OfType<string>())
        {
            _ = Figures.Find(because)?.Magnitude;
        }
    }

    /// <summary>When hands come to the next step, were this damage the only one: after all steps so far, their waits and the shop's hours.</summary>
    public DateTimeOffset HandsNext()
    {
        var next = new StepTiming("next", 1, false, null);
        var laid = Timeline.Lay([.. _steps.Select(step => step.Timing), next], View.StartAt, View.Climate, View.Hours, NothingYet);
        return laid[^1].StartsAt ?? View.Hours.FirstFit(View.StartAt, TimeSpan.Zero);
    }

    /// <summary>The next step takes so much off the shelf.</summary>
    /// <param name="material">What it takes.</param>
    /// <param name="amount">How much; null for one piece.</param>
    /// <param name="times">How many times; null for once.</param>
    public Job Takes(Material material, IFigure? amount = null, IFigure? times = null)
    {
        if (!inputs.TimingOnly)
        {
            _taken.Add(new Taking(material.Id, amount?.Id, times?.Id));
        }

        return this;
    }

    /// <summary>The next step gives a vapour to the room.</summary>
    public void GivesOff(string solvent, IFigure grams) => _vapours.Add(new GivenOff(solvent, grams.Id));

    /// <summary>Writes a step down; the figures put since the last step are its own.</summary>
    /// <param name="id">Identifier, unique in the plan.</param>
    /// <param name="stage">Stage that it belongs to.</param>
    /// <param name="title">What the hand does, in a few words.</param>
    /// <param name="how">How.</param>
    /// <param name="minutes">Minutes of work by hand, above 0.</param>
    /// <param name="forget">What practitioners say that they forget, or null.</param>
    /// <param name="wait">The wait after it, or null.</param>
    /// <param name="cautions">Identifiers of the cautions that apply.</param>
    /// <param name="draws">Identifiers of the marks that it adds to the drawing.</param>
    /// <param name="follows">Whether it must come straight after the step before it.</param>
    /// <param name="useWithin">How long the mix may be used, or null.</param>
    /// <param name="shows">Figures of earlier steps that it needs as well.</param>
    /// <param name="proof">Identifier of the test that it is, or null.</param>
    /// <param name="pour">For a mix: what goes into the cup.</param>
    /// <param name="uses">Identifier of the mix that it uses; the step straight after a mix uses that.</param>
    public Job Do(
        string id, Stage stage, [InterpolatedStringHandlerArgument("")] Message title, [InterpolatedStringHandlerArgument("")] Message how, double minutes,
        [InterpolatedStringHandlerArgument("")] Message? forget = null, StepWait? wait = null, IReadOnlyList<string>? cautions = null, IReadOnlyList<string>? draws = null, bool follows = false,
        Figure<WallTime>? useWithin = null, IReadOnlyList<IFigure>? shows = null, string? proof = null, Poured? pour = null, string? uses = null)
    {
        uses ??= follows && _steps[^1].Stage == Stage.Mix ? _steps[^1].Id : null;
        var life = uses is null ? null : _steps.Find(step => step.Id == uses)?.UseWithinMin;
        var timing = new StepTiming(id, minutes, follows, wait, Uses: life is { } within ? new MixLife(uses!, within) : null);
        if (inputs.TimingOnly)
        {
            _steps.Add(new PlanStep(id, stage, title, how, [], [], null, timing, useWithin?.WallMin, [], proof, null));
            return this;
        }

        IReadOnlyList<string> figures = [.. (shows ?? []).Concat(_fresh).Concat(PaceOf(wait)).Select(figure => figure.Id).Distinct()];
        LeaveToLater(shows ?? []);
        _onlyFresh[id] = _fresh.Count == 0 ? [] : [.. _fresh.Except(shows ?? []).Except(title.SpeaksOf.Concat(how.SpeaksOf).OfType<IFigure>()).Select(figure => figure.Id)];
        _fresh.Clear();
        _steps.Add(new PlanStep(id, stage, title, how, figures, cautions ?? [], forget, timing, useWithin?.WallMin, draws ?? [], proof, pour?.Told, uses, _taken.Count == 0 ? null : [.. _taken], _vapours.Count == 0 ? null : [.. _vapours]));
        _taken.Clear();
        _vapours.Clear();
        return this;
    }

    private IEnumerable<IFigure> PaceOf(StepWait? wait) =>
        wait?.Material is { } id && View.Catalogue.Materials.TryGetValue(id, out var material) && PaceFigure(material) is { } pace ? [pace] : [];

    /// <summary>A figure that this step asks for is left out of an earlier one that only happened to stand after it and does not speak of it.</summary>
    private void LeaveToLater(IReadOnlyList<IFigure> asked)
    {
        if (asked.Count == 0)
        {
            return;
        }

        var ids = asked.Select(figure => figure.Id).ToHashSet();
        for (var i = 0; i < _steps.Count && ids.Count > 0; i++)
        {
            var idle = _onlyFresh[_steps[i].Id].Where(ids.Contains).ToHashSet();
            if (idle.Count > 0)
            {
                _steps[i] = _steps[i] with { Figures = [.. _steps[i].Figures.Where(id => !idle.Contains(id))] };
            }
        }
    }

    /// <summary>Draws, once somebody looks at the drawing.</summary>
    public Job Draw(Action<Sketch> draw)
    {
        if (inputs.TimingOnly)
        {
            return this;
        }

        _draws.Add(draw);
        return this;
    }

    /// <summary>The composition.</summary>
    /// <param name="cut">What is cut away.</param>
    /// <param name="key">What is keyed and taped.</param>
    /// <param name="patches">Patches in the order in which they are laid.</param>
    /// <param name="profile">What is done in the section of a laminate.</param>
    public Composition End(Field? cut = null, Field? key = null, Derived<IReadOnlyList<Patch>>? patches = null, Func<WorkProfile>? profile = null) =>
        new(_steps, Derive(() =>
        {
            var sketch = new Sketch();
            foreach (var draw in _draws)
            {
                draw(sketch);
            }

            return new Drawn(patches?.Value ?? [], profile?.Invoke(), key?.Shape.Pieces ?? [], cut?.Shape.Pieces ?? [], sketch.Marks);
        }), [.. _warnings, .. ToBuy()], _mixes);

    private IEnumerable<Warning> ToBuy() =>
        MissingGrits.Count == 0 || !WantsWords
            ? []
            : [new Warning("gap-in-drawer", $"Not in the drawer, nor anything near it, and planned with all the same: buy {Message.Joined([.. MissingGrits.Select(grit => (Message)$"{grit:as-is}")], (all, next) => $"{all}, {next}")}.", null)];
}
