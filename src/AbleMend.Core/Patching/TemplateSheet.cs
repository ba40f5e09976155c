using AbleMend.Core.Gear;
using AbleMend.Core.Words;

namespace AbleMend.Core.Patching;

/// <summary>What a line on a template sheet is for.</summary>
public enum SheetMark
{
    /// <summary>The ruler by which a print is checked.</summary>
    Ruler,

    /// <summary>A division of the ruler.</summary>
    Tick,

    /// <summary>An outline to cut along.</summary>
    Patch,

    /// <summary>A cross at which sheets are laid on one another.</summary>
    Register,
}

/// <summary>A line on a sheet.</summary>
/// <param name="Mark">What it is for.</param>
/// <param name="Points">Its points in millimetres from the upper left corner of the sheet.</param>
/// <param name="Closed">Whether its last point is joined to its first.</param>
public sealed record SheetLine(SheetMark Mark, IReadOnlyList<PointMm> Points, bool Closed = false);

/// <summary>Words on a sheet.</summary>
/// <param name="At">Where they begin, at their foot.</param>
/// <param name="Words">The words.</param>
public sealed record SheetWords(PointMm At, Message Words);

/// <summary>One sheet of a template, laid out; a drawing of any format is made from it as it stands.</summary>
/// <param name="WidthMm">Width in millimetres.</param>
/// <param name="HeightMm">Height in millimetres.</param>
/// <param name="Title">What it is.</param>
/// <param name="Lines">Its lines.</param>
/// <param name="Words">Its words.</param>
public sealed record TemplateSheet(double WidthMm, double HeightMm, Message Title, IReadOnlyList<SheetLine> Lines, IReadOnlyList<SheetWords> Words);
