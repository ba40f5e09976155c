using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Core.Figures;

/// <summary>
/// The figures of one plan as a graph. Whatever is asked for is worked out from what it reads, once; a figure that is set by
/// hand, or learnt later from an instrument, reaches everything that reads it. What nobody asks for is never worked out.
/// </summary>
/// <param name="overrides">Figures set by hand.</param>
/// <param name="untold">Whether nobody will ask for reasons, as for ranking: what reads what is then not kept.</param>
public sealed class FigureGraph(IReadOnlyList<Override> overrides, bool untold = false)
{
    /// <summary>How many times more or less than worked out a figure may be set by hand, where it has no limits of its own. From memory: a slip of the keys is more.</summary>
    public const double FurthestByHand = 100;

    private readonly List<SettingFault> _faults = [];
    private readonly Dictionary<string, IFigure>? _figures = untold ? null : new(StringComparer.Ordinal);
    private readonly List<IFigure> _order = [];
    private readonly Stack<List<Node>> _readers = [];
    private (IFigure Figure, double Value)? _pin;

    /// <value>All figures that were declared, in that order.</value>
    public IReadOnlyList<IFigure> Declared => _order;

    /// <value>Values set by hand that were not taken.</value>
    internal IReadOnlyList<SettingFault> Faults => _faults;

    /// <value>Counts up when everything has to be worked out anew.</value>
    internal int Generation { get; private set; }

    /// <summary>A figure that is worked out, or set by a rule of the trade.</summary>
    /// <param name="id">Identifier, unique in the plan.</param>
    /// <param name="label">What it is.</param>
    /// <param name="work">Works it out from other figures.</param>
    /// <param name="rule">The formula or rule in words.</param>
    /// <param name="source">Where the rule comes from.</param>
    /// <param name="decimals">Digits after the point to show; null for the unit's own.</param>
    /// <param name="wouldChange">What would change it, or null when the inputs say it all.</param>
    /// <param name="between">Least and most that may be set by hand, or null.</param>
    /// <param name="knows">Which values there are at all, or null.</param>
    public Figure<TQuantity> Work<TQuantity>(
        string id, Message label, Func<TQuantity> work, Message rule, Source source, int? decimals = null, Func<Message?>? wouldChange = null,
        (double Least, double Most)? between = null, Func<double, bool>? knows = null)
        where TQuantity : struct, IQuantity<TQuantity> =>
        Declare(new FigureText(id, FigureKind.Worked, label, rule, source, decimals ?? TQuantity.Unit.Decimals, wouldChange, between, knows), work);

    /// <summary>A measure taken on an outline, which follows the margins that made it.</summary>
    public Figure<TQuantity> Measured<TQuantity>(string id, Message label, Func<TQuantity> work, Message rule, int decimals)
        where TQuantity : struct, IQuantity<TQuantity> => Declare(new FigureText(id, FigureKind.Shape, label, rule, Source.Arithmetic, decimals), work);

    /// <summary>A value of the trade that rules use.</summary>
    public Figure<TQuantity> Constant<TQuantity>(string id, Message label, TQuantity value, Source source, int? decimals = null, (double Least, double Most)? between = null)
        where TQuantity : struct, IQuantity<TQuantity> => Ground(id, FigureKind.Constant, label, value, source, decimals, between);

    /// <summary>A fact of the case.</summary>
    public Figure<TQuantity> Fact<TQuantity>(string id, Message label, TQuantity value, Source? source = null, int? decimals = null)
        where TQuantity : struct, IQuantity<TQuantity> => Ground(id, FigureKind.Fact, label, value, source ?? Source.Shop, decimals);

    /// <summary>What a product's label says; its words are only made when somebody opens a reason.</summary>
    public Figure<TQuantity> Label<TQuantity>(string id, Func<Message> label, TQuantity value, Func<Source> source)
        where TQuantity : struct, IQuantity<TQuantity> => Ground(id, FigureKind.Label, label, value, source, null);

    /// <summary>A value that figures are made from and that is not shown by itself.</summary>
    public Derived<T> Derive<T>(Func<T> work) => new(this, work);

    /// <summary>The figure of an identifier, or null.</summary>
    public IFigure? Find(string id)
    {
        if (_figures is not null)
        {
            return _figures.GetValueOrDefault(id);
        }

        // A few dozen figures that are hardly ever looked up are found sooner by going through them.
        foreach (var figure in _order)
        {
            if (figure.Id == id)
            {
                return figure;
            }
        }

        return null;
    }

    /// <summary>The figures of some identifiers and all that they rest on, as a plan keeps them.</summary>
    public IReadOnlyList<Figure> Told(IEnumerable<IFigure> shown)
    {
        var told = new HashSet<IFigure>();
        var waiting = new Stack<IFigure>(shown);
        while (waiting.TryPop(out var figure))
        {
            if (told.Add(figure))
            {
                _ = figure.Magnitude;
                foreach (var input in ((Node)figure).Shown)
                {
                    waiting.Push(input);
                }
            }
        }

        // What would change a figure is only asked for here, and may name further grounds.
        return [.. _order.Where(told.Contains).ToList().Select(figure => ((ITellable)figure).Told())];
    }

    /// <summary>What a figure becomes when one that it rests on is another, everything else as it is.</summary>
    /// <param name="figure">The figure that is asked about.</param>
    /// <param name="changed">The figure that changes.</param>
    /// <param name="value">What it changes to, in its unit.</param>
    public double WhatIf(IFigure figure, IFigure changed, double value)
    {
        _pin = (changed, value);
        Generation++;
        try
        {
            return figure.Magnitude;
        }
        finally
        {
            _pin = null;
            Generation++;
        }
    }

    /// <summary>What a figure becomes when each that it is worked out from is a tenth more; one more, of what is counted.</summary>
    public IReadOnlyList<Effect> EffectsOn(IFigure figure)
    {
        _ = figure.Magnitude;
        return
        [
            .. ((Node)figure).Shown.Select(input =>
            {
                var more = input.IsWhole ? input.Magnitude + 1 : input.Magnitude * 1.1;
                return new Effect(input.Id, more, WhatIf(figure, input, more));
            }),
        ];
    }

    /// <summary>The figures that a node reads, with what lies between them left out.</summary>
    internal static IReadOnlyList<IFigure> ShownBy(Node node)
    {
        var shown = new List<IFigure>();
        Collect(node, shown);
        return shown;
    }

    internal void Refuse(SettingFault fault)
    {
        if (!_faults.Contains(fault))
        {
            _faults.Add(fault);
        }
    }

    internal void Read(Node node)
    {
        if (!untold && _readers.TryPeek(out var reader) && !reader.Contains(node))
        {
            reader.Add(node);
        }
    }

    internal void Enter()
    {
        if (!untold)
        {
            _readers.Push([]);
        }
    }

    internal IReadOnlyList<Node> Leave() => untold ? [] : _readers.Pop();

    internal Override? HandOf(string id)
    {
        for (var i = overrides.Count - 1; i >= 0; i--)
        {
            if (overrides[i].Figure == id)
            {
                return overrides[i];
            }
        }

        return null;
    }

    internal double? PinOf(IFigure figure) => _pin is { } pin && pin.Figure == figure ? pin.Value : null;

    private static void Collect(Node node, List<IFigure> shown)
    {
        foreach (var input in node.Inputs)
        {
            if (input is not IFigure figure)
            {
                Collect(input, shown);
            }
            else if (!shown.Contains(figure))
            {
                shown.Add(figure);
            }
        }
    }

    private Figure<TQuantity> Ground<TQuantity>(string id, FigureKind kind, Later<Message> label, TQuantity value, Later<Source> source, int? decimals, (double Least, double Most)? between = null)
        where TQuantity : struct, IQuantity<TQuantity> =>
        Find(id) is { } known ? (Figure<TQuantity>)known
            : Declare(new FigureText(id, kind, label, Message.Empty, source, decimals ?? DecimalsOf(value.Magnitude, TQuantity.Unit), null, between), () => value);

    private static int DecimalsOf(double value, Unit unit)
    {
        for (var decimals = unit.Decimals; decimals < Unit.MostDecimals; decimals++)
        {
            if (Math.Abs(Math.Round(value, decimals) - value) < 1e-9)
            {
                return decimals;
            }
        }

        return Unit.MostDecimals;
    }

    private Figure<TQuantity> Declare<TQuantity>(FigureText text, Func<TQuantity> work)
        where TQuantity : struct, IQuantity<TQuantity>
    {
        var figure = new Figure<TQuantity>(this, text, work);
        if (_figures?.TryAdd(text.Id, figure) == false)
        {
            throw new InvalidOperationException($"The plan has two figures '{text.Id}'.");
        }

        _order.Add(figure);
        return figure;
    }
}

/// <summary>A figure that a plan may keep.</summary>
internal interface ITellable
{
    /// <summary>The figure as a plan keeps it.</summary>
    Figure Told();
}
