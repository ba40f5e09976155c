using AbleMend.Core.Figures;
using AbleMend.Core.Patching;
using AbleMend.Core.Words;
using static AbleMend.Core.Quantities.Measures;
using Quantity = AbleMend.Core.Quantities;

namespace AbleMend.Core.Methods.Steps;

/// <summary>An outline on the item together with its measures as figures: what is hurt, cut away, keyed or covered.</summary>
internal sealed class Field
{
    private readonly FigureGraph _graph;
    private readonly string _id;
    private readonly Message _name;
    private readonly Derived<Outline> _shape;

    private Field(FigureGraph graph, string id, Message name, Derived<Outline> shape) => (_graph, _id, _name, _shape) = (graph, id, name, shape);

    /// <value>The outline.</value>
    public Outline Shape => _shape.Value;

    /// <value>Extent along the item.</value>
    public Figure<Quantity.Length> Length => _length ??= Measure(".length", $"{_name}: length", () => Mm(Shape.LengthMm));

    /// <value>Extent across the item.</value>
    public Figure<Quantity.Length> Width => _width ??= Measure(".width", $"{_name}: width", () => Mm(Shape.WidthMm));

    /// <value>Area.</value>
    public Figure<Quantity.Area> Area => _area ??= Measure(".area", $"{_name}: area", () => Cm2(Shape.AreaMm2 / 100));

    private Figure<Quantity.Length>? _length;
    private Figure<Quantity.Length>? _width;
    private Figure<Quantity.Area>? _area;

    /// <summary>What is hurt, as it was measured.</summary>
    public static Field Hurt(FigureGraph graph, Outline outline)
    {
        var (length, width) = (graph.Fact("damage.length", "Damage: length", Mm(Math.Round(outline.LengthMm, 2))), graph.Fact("damage.width", "Damage: width", Mm(Math.Round(outline.WidthMm, 2))));
        // Read, so that whatever rests on the outline says on which measures.
        var shape = graph.Derive(() =>
        {
            _ = (length.Value, width.Value);
            return outline;
        });
        return new Field(graph, "damage", "Damage", shape) { _length = length, _width = width };
    }

    /// <summary>This outline moved outward by a margin with round corners.</summary>
    /// <param name="id">Identifier of the new one, which its measures begin with.</param>
    /// <param name="name">What it is.</param>
    /// <param name="by">Margin.</param>
    public Field Grown(string id, Message name, Figure<Quantity.Length> by) => new(_graph, id, name, _graph.Derive(() => Shape.Grown(by.Mm)));

    /// <summary>This outline moved outward by a margin that is worked out.</summary>
    public Field Grown(string id, Message name, Derived<double> byMm) => new(_graph, id, name, _graph.Derive(() => Shape.Grown(byMm.Value)));

    private Figure<T> Measure<T>(string end, Message label, Func<T> work)
        where T : struct, Quantity.IQuantity<T> =>
        _graph.Measured(_id + end, label, work, "Measured on its outline: what was damaged, grown by the margins with round corners", 1);
}
