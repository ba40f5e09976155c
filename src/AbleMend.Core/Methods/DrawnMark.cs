using System.Text.Json.Serialization;
using AbleMend.Core.Gear;
using AbleMend.Core.Words;

namespace AbleMend.Core.Methods;

/// <summary>What the work does in the section, in millimetres from the middle and from the surface; 0 where it does not happen.</summary>
/// <param name="CutHalfWidthMm">Half the width cut away at the surface.</param>
/// <param name="CutDepthMm">Depth cut away.</param>
/// <param name="FeatherMm">Width of the sanded slope beyond the cut.</param>
/// <param name="KeyHalfWidthMm">Half the width of the keyed area.</param>
/// <param name="FillMm">Depth of filler.</param>
/// <param name="ProudMm">How far the fill stands proud before it is cut back.</param>
/// <param name="CoatMm">Thickness of the sanding coat.</param>
/// <param name="FilmHalfWidthMm">Half the width of the film.</param>
/// <param name="PlyMm">Thickness of one ply of cloth.</param>
public sealed record WorkProfile(
    double CutHalfWidthMm,
    double CutDepthMm,
    double FeatherMm,
    double KeyHalfWidthMm,
    double FillMm,
    double ProudMm,
    double CoatMm,
    double FilmHalfWidthMm,
    double PlyMm
);

/// <summary>Which of the two pictures a mark belongs to.</summary>
[JsonConverter(typeof(Kebab<MarkView>))]
public enum MarkView
{
    /// <summary>The section: x along the surface from the middle, y the depth, negative above the surface.</summary>
    Section,

    /// <summary>From above: x along the item, y across it.</summary>
    Above,
}

/// <summary>How a mark is drawn.</summary>
[JsonConverter(typeof(Kebab<MarkKind>))]
public enum MarkKind
{
    /// <summary>Cut or ground away.</summary>
    Cut,

    /// <summary>Filled with the main material.</summary>
    Fill,

    /// <summary>A bead or pass, in its order.</summary>
    Bead,

    /// <summary>A patch, disc or ply.</summary>
    Patch,

    /// <summary>A film of glue or sealant.</summary>
    Glue,

    /// <summary>Tape, film, dam or lip that comes off again.</summary>
    Tape,

    /// <summary>A plate, caul, clamp, band or weight.</summary>
    Clamp,

    /// <summary>A drilled hole.</summary>
    Drill,

    /// <summary>A wrap or sleeve.</summary>
    Wrap,

    /// <summary>Where nothing may be put.</summary>
    Forbidden,

    /// <summary>A way that water or glue takes.</summary>
    Flow,
}

/// <summary>Something that a method puts on the drawing.</summary>
/// <param name="Id">Identifier that steps refer to with <see cref="PlanStep.Draws"/>.</param>
/// <param name="View">Which picture.</param>
/// <param name="Kind">How it is drawn.</param>
/// <param name="Points">Corner points in millimetres, in the coordinates of the view.</param>
/// <param name="Closed">Whether the last point joins the first.</param>
/// <param name="Words">A few words beside it, or null.</param>
public sealed record DrawnMark(string Id, MarkView View, MarkKind Kind, IReadOnlyList<PointMm> Points, bool Closed, Message? Words);
