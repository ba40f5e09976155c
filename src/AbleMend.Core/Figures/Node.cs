using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Core.Figures;

/// <summary>
/// Something that a plan works out when it is first asked for, and remembers. What it reads while it is worked out is kept as
/// its inputs, so that a reason cannot name other inputs than those that were used.
/// </summary>
public abstract class Node
{
    private protected Node(FigureGraph graph) => Graph = graph;

    /// <value>What went in, in the order in which it was first read; known once it has been worked out.</value>
    internal IReadOnlyList<Node> Inputs { get; private protected set; } = [];

    private protected FigureGraph Graph { get; }

    /// <value>The figures that it reads, with what lies between them left out; found once.</value>
    internal IReadOnlyList<IFigure> Shown => _shown ??= FigureGraph.ShownBy(this);

    private IReadOnlyList<IFigure>? _shown;

    private protected void Forget() => _shown = null;
}

/// <summary>A value that figures are made from and that is not shown by itself: an outline, a batch, a dose.</summary>
/// <typeparam name="T">The value.</typeparam>
public class Derived<T> : Node
{
    private readonly Func<T> _work;
    private T _value = default!;
    private int _workedAt = -1;
    private bool _working;

    internal Derived(FigureGraph graph, Func<T> work)
        : base(graph) => _work = work;

    /// <value>The value; worked out when it is first asked for.</value>
    /// <exception cref="InvalidOperationException">It needs itself.</exception>
    public T Value
    {
        get
        {
            Graph.Read(this);
            if (_workedAt != Graph.Generation)
            {
                Work();
            }

            return _value;
        }
    }

    private protected virtual T Settle(T worked) => worked;

    private void Work()
    {
        if (_working)
        {
            throw new InvalidOperationException($"{this} needs itself.");
        }

        _working = true;
        Graph.Enter();
        try
        {
            _value = Settle(_work());
        }
        finally
        {
            Inputs = Graph.Leave();
            _working = false;
        }

        Forget();
        _workedAt = Graph.Generation;
    }
}

/// <summary>What every figure says of itself, whatever its quantity.</summary>
public interface IFigure : ITold
{
    /// <value>Identifier.</value>
    string Id { get; }

    /// <value>Whether it is shown with the step that it was written for; grounds are only shown in reasons.</value>
    FigureKind Kind { get; }

    /// <value>Magnitude in its unit.</value>
    double Magnitude { get; }

    /// <value>Whether it may be set by hand.</value>
    bool MaySet { get; }

    /// <value>Whether only a whole number makes sense.</value>
    bool IsWhole { get; }

    /// <value>The weakest source that it rests on, all the way down.</value>
    SourceKind Foundation { get; }
}

/// <summary>A figure of a plan, as a method holds it: it is read by its unit, as in <c>drill.Mm</c>.</summary>
/// <typeparam name="TQuantity">Its quantity.</typeparam>
public sealed class Figure<TQuantity> : Derived<TQuantity>, IFigure, ITellable
    where TQuantity : struct, IQuantity<TQuantity>
{
    private readonly FigureText _text;
    private double _computed;

    internal Figure(FigureGraph graph, FigureText text, Func<TQuantity> work)
        : base(graph, work) => _text = text;

    /// <inheritdoc/>
    public string Id => _text.Id;

    /// <inheritdoc/>
    public FigureKind Kind => _text.Kind;

    /// <inheritdoc/>
    public double Magnitude => Value.Magnitude;

    /// <inheritdoc/>
    public bool MaySet => Kind is FigureKind.Worked or FigureKind.Constant;

    /// <inheritdoc/>
    public bool IsWhole => TQuantity.IsWhole;

    /// <inheritdoc/>
    public Argument Tell(int? decimals) => new MeasureArgument(Magnitude, TQuantity.Unit.Symbol, decimals ?? _text.Decimals, Id);

    /// <inheritdoc/>
    public override string ToString() => Id;

    Figure ITellable.Told()
    {
        var value = Magnitude;
        var hand = Graph.HandOf(Id);
        return new Figure(
            Id, _text.Label.Value.Told(), value, TQuantity.Unit.Symbol, Needed(value, _text.Decimals), Kind,
            new Derivation(_text.Rule.Told(), _text.Source.Value, [.. Shown.Select(input => input.Id)], _text.WouldChange?.Invoke()?.Told()),
            Foundation,
            hand is null ? null : new SetByHand(_computed, hand.Reason));
    }

    /// <value>Where its own rule comes from.</value>
    internal SourceKind OwnSource => Graph.HandOf(Id) is null ? _text.Source.Value.Kind : SourceKind.Shop;

    /// <inheritdoc/>
    public SourceKind Foundation => _foundation ??= Graph.HandOf(Id) is not null
        // What was set by hand rests on the hand, and no longer on what it was worked out from.
        ? SourceKind.Shop
        : Shown.Aggregate(OwnSource, (weakest, input) => Firmness.Weaker(weakest, input.Foundation));

    private SourceKind? _foundation;

    /// <summary>Digits that the value has, at most those that it is shown with.</summary>
    private static int Needed(double value, int most)
    {
        var decimals = 0;
        while (decimals < most && Math.Abs(Math.Round(value, decimals) - Math.Round(value, most)) > 1e-9)
        {
            decimals++;
        }

        return decimals;
    }

    private protected override TQuantity Settle(TQuantity worked)
    {
        _computed = worked.Magnitude;
        if (!double.IsFinite(_computed))
        {
            throw new InvalidOperationException($"{Id} is not a number.");
        }

        return Graph.PinOf(this) is { } pinned ? TQuantity.Of(pinned)
            : Graph.HandOf(Id) is { } hand && Accepts(hand.Value) ? TQuantity.Of(hand.Value)
            : worked;
    }

    /// <summary>What speaks against a value set by hand, is kept for whoever plans; the figure stays as it was worked out.</summary>
    private bool Accepts(double value)
    {
        var fault = !MaySet ? new SettingFault(Id, SettingFaultKind.NotSet, 0, 0)
            : IsWhole && value != Math.Round(value) ? new SettingFault(Id, SettingFaultKind.NotWhole, 0, 0)
            : _text.Knows?.Invoke(value) == false ? new SettingFault(Id, SettingFaultKind.NotKnown, 0, 0)
            : LimitsOf() is var (least, most) && (value < least || value > most) ? new SettingFault(Id, SettingFaultKind.OutOfRange, least, most)
            : null;
        if (fault is not null)
        {
            Graph.Refuse(fault);
        }

        return fault is null;
    }

    private (double Least, double Most) LimitsOf() =>
        _text.Between ?? (_computed == 0 ? (0, double.MaxValue) : (_computed / FigureGraph.FurthestByHand, _computed * FigureGraph.FurthestByHand));
}

/// <summary>What is said of a figure.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Kind">Where its number comes from.</param>
/// <param name="Label">What it is.</param>
/// <param name="Rule">How it is worked out.</param>
/// <param name="Source">Where that comes from.</param>
/// <param name="Decimals">Digits after the point to show.</param>
/// <param name="WouldChange">What would change it, asked for when it is told.</param>
/// <param name="Between">Least and most that may be set by hand; null for up to a hundred times more or less than worked out.</param>
/// <param name="Knows">Which values there are at all, such as the grades of a scale; null for any.</param>
internal sealed record FigureText(
    string Id, FigureKind Kind, Later<Message> Label, Message Rule, Later<Source> Source, int Decimals, Func<Message?>? WouldChange = null, (double Least, double Most)? Between = null, Func<double, bool>? Knows = null);

/// <summary>Something at hand, or made when it is asked for.</summary>
/// <typeparam name="T">What it is.</typeparam>
internal readonly struct Later<T>
    where T : class
{
    private readonly object _held;

    private Later(object held) => _held = held;

    /// <value>The thing itself.</value>
    public T Value => _held as T ?? ((Func<T>)_held)();

    public static implicit operator Later<T>(T held) => new(held);

    public static implicit operator Later<T>(Func<T> make) => new(make);
}

/// <summary>Why a value cannot be set by hand.</summary>
internal enum SettingFaultKind
{
    /// <summary>A fact of the case or a label: it is changed there.</summary>
    NotSet,

    /// <summary>Only whole numbers make sense.</summary>
    NotWhole,

    /// <summary>There is no such value, as of a scale of grades.</summary>
    NotKnown,

    /// <summary>It is out of reason.</summary>
    OutOfRange,
}

/// <summary>A value set by hand that was not taken.</summary>
/// <param name="Figure">Identifier of the figure.</param>
/// <param name="Kind">Why.</param>
/// <param name="Least">Least that is taken, where it is out of range.</param>
/// <param name="Most">Most that is taken.</param>
internal sealed record SettingFault(string Figure, SettingFaultKind Kind, double Least, double Most);
