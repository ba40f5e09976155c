using System.Globalization;
using System.Text;
using AbleMend.Core.Quantities;

namespace AbleMend.Core.Words;

/// <summary>Puts messages into words: the one renderer of page, paper and command line.</summary>
/// <param name="System">Units of the reader.</param>
/// <param name="Phrases">Words of the reader.</param>
public sealed record Voice(UnitSystem System, Phrasebook Phrases)
{
    /// <value>English and metric.</value>
    public static Voice Plain { get; } = new(UnitSystem.Metric, Phrasebook.English);

    /// <summary>Says a message.</summary>
    public string Say(Message message)
    {
        var template = Phrases.Of(message.Template);
        return message.Arguments is { Count: > 0 } arguments ? Fill(template, arguments) : template;
    }

    /// <summary>Says a text of the catalogue.</summary>
    public string SayText(string text) => Say(Message.Parse(text));

    /// <summary>Says a measure: its number in the reader's unit, and the unit.</summary>
    /// <param name="value">Magnitude in <paramref name="symbol"/>.</param>
    /// <param name="symbol">Symbol of the unit that it is kept in; one that is not known is said as it is.</param>
    /// <param name="decimals">Digits after the point in that unit.</param>
    /// <param name="trimmed">Whether ends that are nought are left off, as in a sentence.</param>
    public string Measure(double value, string symbol, int decimals, bool trimmed = false)
    {
        if (value >= LongMin && (symbol == Units.WallMinute.Symbol || symbol == Units.LabelMinute.Symbol))
        {
            return InHours((int)Math.Round(value));
        }

        var unit = Units.All.GetValueOrDefault(symbol);
        var us = System == UnitSystem.Us ? unit?.Us : null;
        var number = us is null
            ? Number(value, decimals, trimmed)
            : Number((value * us.Factor) + us.Offset, Math.Min(Unit.MostDecimals, Math.Max(us.Decimals, decimals + us.Finer)), trimmed);
        var written = us?.Symbol ?? unit?.Text ?? symbol;
        return written.Length == 0 ? number
            : unit == Units.GradeP ? $"P{number}"
            : unit == Units.Degree ? number + written
            : $"{number} {Phrases.Of(written)}";
    }

    /// <summary>From here on nobody counts a wait in minutes.</summary>
    private const double LongMin = 180;

    private string InHours(int minutes)
    {
        var hours = $"{minutes / 60} {Phrases.Of(Units.Hour.Symbol)}";
        return minutes % 60 == 0 ? hours : $"{hours} {minutes % 60} {Phrases.Of(Units.WallMinute.Symbol)}";
    }

    private static string Number(double value, int decimals, bool trimmed)
    {
        var number = value.ToString($"F{decimals}", CultureInfo.InvariantCulture);
        return trimmed && decimals > 0 ? number.TrimEnd('0').TrimEnd('.') : number;
    }

    private string Fill(string template, IReadOnlyList<Argument> arguments)
    {
        var said = new StringBuilder(template.Length + 32);
        for (var i = 0; i < template.Length; i++)
        {
            var end = template[i] == '{' ? template.IndexOf('}', i) : -1;
            if (end > i && int.TryParse(template.AsSpan(i + 1, end - i - 1), NumberStyles.None, CultureInfo.InvariantCulture, out var place) && place < arguments.Count)
            {
                said.Append(Tell(arguments[place]));
                i = end;
            }
            else
            {
                said.Append(template[i]);
            }
        }

        return said.ToString();
    }

    private string Tell(Argument argument) =>
        argument switch
        {
            MeasureArgument measure => Measure(measure.Value, measure.Unit, measure.Decimals, trimmed: true),
            NumberArgument number => number.Value.ToString(CultureInfo.InvariantCulture),
            NameArgument { InSentence: true } name => Inside(SayText(name.Text)),
            NameArgument name => SayText(name.Text),
            TextArgument text => text.Text,
            MessageArgument inner => Say(inner.Message),
            _ => throw new InvalidOperationException($"{argument.GetType().Name} has no words."),
        };

    private static string Inside(string name) =>
        name.Length < 2 || char.IsUpper(name[1]) ? name : char.ToLowerInvariant(name[0]) + name[1..];
}
