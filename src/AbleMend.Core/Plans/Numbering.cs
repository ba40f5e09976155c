using System.Globalization;
using AbleMend.Core.Figures;
using AbleMend.Core.Methods;
using AbleMend.Core.Words;

namespace AbleMend.Core.Plans;

/// <summary>
/// Identifiers of steps and figures where an item has several damages. Those of the first stand as its method gives them, so that a
/// second damage renames nothing; those of the others carry the number of their damage in front, as in <c>2:cut.depth</c>.
/// </summary>
public static class Numbering
{
    private const char Mark = ':';

    /// <summary>The identifier in the whole plan.</summary>
    /// <param name="number">Which damage, from 1.</param>
    /// <param name="id">Identifier within that damage.</param>
    public static string Of(int number, string id) => number == 1 || IsOfAnother(id) ? id : string.Create(CultureInfo.InvariantCulture, $"{number}{Mark}{id}");

    /// <summary>Whether an identifier names its damage already: a figure that is read of another damage.</summary>
    internal static bool IsOfAnother(string id) => id.Contains(Mark, StringComparison.Ordinal);

    /// <summary>The damage of an identifier of the whole plan, and the identifier within it.</summary>
    public static (int Number, string Id) Parse(string id) =>
        id.IndexOf(Mark, StringComparison.Ordinal) is var at and > 0 && int.TryParse(id.AsSpan(0, at), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? (number, id[(at + 1)..])
            : (1, id);

    /// <summary>A step of a damage, with the identifiers of the whole plan; those of the first damage stand as they are.</summary>
    internal static PlanStep Of(int number, PlanStep step) =>
        number == 1 ? step : step with
        {
            Id = Of(number, step.Id),
            Title = Of(number, step.Title),
            Instruction = Of(number, step.Instruction),
            DoNotForget = Maybe(number, step.DoNotForget),
            Figures = [.. step.Figures.Select(id => Of(number, id))],
            Pour = step.Pour is { } pour ? Of(number, pour) : null,
            Uses = Maybe(number, step.Uses),
            Takes = step.Takes is { } takes ? [.. takes.Select(taking => taking with { Figure = Maybe(number, taking.Figure), Times = Maybe(number, taking.Times) })] : null,
            GivesOff = step.GivesOff is { } vapours ? [.. vapours.Select(vapour => vapour with { Figure = Of(number, vapour.Figure) })] : null,
            Timing = step.Timing with
            {
                StepId = Of(number, step.Id),
                Damage = number,
                Uses = step.Timing.Uses is { } mix ? mix with { StepId = Of(number, mix.StepId) } : null,
                Wait = step.Timing.Wait is { } wait ? wait with { CountsFrom = Maybe(number, wait.CountsFrom), Because = Maybe(number, wait.Because), Check = Of(number, wait.Check), WhenLate = Maybe(number, wait.WhenLate) } : null,
            },
        };

    private static Pour Of(int number, Pour pour) =>
        pour with
        {
            Parts = [.. pour.Parts.Select(id => Of(number, id))],
            Lead = [.. pour.Lead.Select(id => Of(number, id))],
            Cups = Maybe(number, pour.Cups),
            Warning = Maybe(number, pour.Warning),
            Cup = pour.Cup is { } cup
                ? cup with
                {
                    Ingredients = [.. cup.Ingredients.Select(each => each with { Figure = Of(number, each.Figure), Grams = Maybe(number, each.Grams), Each = Maybe(number, each.Each) })],
                    Holds = Maybe(number, cup.Holds),
                    Work = Maybe(number, cup.Work),
                }
                : null,
        };

    /// <summary>A figure of a damage, with the identifiers of the whole plan.</summary>
    internal static Figure Of(int number, Figure figure) =>
        number == 1 ? figure : figure with
        {
            Id = Of(number, figure.Id),
            Derivation = figure.Derivation with { Rule = Of(number, figure.Derivation.Rule), Inputs = [.. figure.Derivation.Inputs.Select(id => Of(number, id))], WouldChange = Maybe(number, figure.Derivation.WouldChange) },
        };

    /// <summary>A warning of a damage, with the identifiers of the whole plan.</summary>
    internal static Warning Of(int number, Warning warning) => warning with { StepId = Maybe(number, warning.StepId), Text = Of(number, warning.Text.Told()) };

    /// <summary>A text whose measures name the figures of the whole plan.</summary>
    private static Message Of(int number, Message text) => number == 1 ? text : new Message(text.Template, [.. text.Arguments.Select(argument => Of(number, argument))]);

    private static Argument Of(int number, Argument argument) => argument switch
    {
        MeasureArgument measure => measure with { Figure = Maybe(number, measure.Figure) },
        MessageArgument inner => new MessageArgument(Of(number, inner.Message)),
        _ => argument,
    };

    private static Message? Maybe(int number, Message? text) => text is null ? null : Of(number, text);

    private static string? Maybe(int number, string? id) => id is null ? null : Of(number, id);
}
