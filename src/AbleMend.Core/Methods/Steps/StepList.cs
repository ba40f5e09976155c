using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Core.Methods.Steps;

/// <summary>Writes a method down as it is done: figures as they are needed, then the step that uses them.</summary>
/// <param name="inputs">Case, materials and sheet.</param>
internal sealed class StepList(MethodInputs inputs)
{
    private readonly List<PlanStep> _steps = [];
    private readonly List<DrawnMark> _marks = [];
    private readonly List<Warning> _warnings = [];
    private int _figuresGiven = inputs.Sheet.Figures.Count;

    /// <value>Case, materials and sheet.</value>
    public MethodInputs Inputs { get; } = inputs;

    /// <value>The case.</value>
    public CaseView View => Inputs.View;

    /// <value>The damage.</value>
    public Damage Damage => Inputs.View.Case.Damage;

    /// <value>The material that holds.</value>
    public Material Main => Inputs.Materials.Main;

    /// <value>What wants to be known.</value>
    public List<Warning> Warnings => _warnings;

    /// <summary>Puts a figure on the sheet and returns the value to go on with.</summary>
    public double Figure(string id, string label, double value, string unit, string rule, Source source, Input[]? from = null, int decimals = 0, string? wouldChange = null) =>
        Inputs.Sheet.Put(id, label, new Worked(value, unit, new Derivation(rule, source, from ?? [], wouldChange)), decimals);

    /// <summary>Writes a step down; the figures put since the last step are its own.</summary>
    public StepList Do(
        string id, Stage stage, string title, string how, double minutes,
        string? forget = null, StepWait? wait = null, string[]? cautions = null, string[]? draws = null, bool follows = false, double? useWithin = null)
    {
        _steps.Add(new PlanStep(id, stage, title, how, NewFigures(), cautions ?? [], forget, new StepTiming(id, minutes, follows, wait), useWithin, draws ?? []));
        return this;
    }

    /// <summary>Adds a step written elsewhere; figures put since the last step are its own as well.</summary>
    public StepList Add(PlanStep step)
    {
        _steps.Add(step with { Figures = [.. step.Figures.Concat(NewFigures()).Distinct()] });
        return this;
    }

    /// <summary>Draws on the section.</summary>
    public StepList Section(string id, MarkKind kind, bool closed, string? words, params ReadOnlySpan<(double X, double Depth)> points) => Draw(id, MarkView.Section, kind, closed, words, points);

    /// <summary>Draws from above.</summary>
    public StepList Above(string id, MarkKind kind, bool closed, string? words, params ReadOnlySpan<(double X, double Y)> points) => Draw(id, MarkView.Above, kind, closed, words, points);

    /// <summary>Draws an outline from above.</summary>
    public StepList Above(string id, MarkKind kind, Outline outline, string? words)
    {
        _marks.AddRange(outline.Pieces.Select(piece => new DrawnMark(id, MarkView.Above, kind, piece, true, words)));
        return this;
    }

    /// <summary>The composition.</summary>
    public Composition End(Outline? cut = null, Outline? key = null, IReadOnlyList<Patch>? patches = null) =>
        new(_steps, patches ?? [], null, key?.Pieces ?? [], cut?.Pieces ?? [], _warnings, _marks);

    private StepList Draw(string id, MarkView view, MarkKind kind, bool closed, string? words, ReadOnlySpan<(double X, double Y)> points)
    {
        var corners = new List<PointMm>(points.Length);
        foreach (var (x, y) in points)
        {
            corners.Add(new PointMm(Math.Round(x, 2), Math.Round(y, 2)));
        }

        _marks.Add(new DrawnMark(id, view, kind, corners, closed, words));
        return this;
    }

    private string[] NewFigures()
    {
        var fresh = Inputs.Sheet.Figures.Skip(_figuresGiven).Select(figure => figure.Id).ToArray();
        _figuresGiven = Inputs.Sheet.Figures.Count;
        return fresh;
    }
}
