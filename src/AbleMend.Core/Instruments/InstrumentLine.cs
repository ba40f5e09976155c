using System.Globalization;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Instruments;

/// <summary>
/// A line that an instrument says: <c>hello bench-scale mass:0.1 name=Bench scale</c>, then <c>mass 12.3</c> for what is still and
/// <c>mass 12.3 ~</c> for what moves, and <c>bye</c>. Words are separated by one space, numbers have a point, lines end with a line feed.
/// </summary>
public abstract record InstrumentLine
{
    /// <summary>Most characters of a line.</summary>
    public const int MostCharacters = 200;

    /// <summary>Most things that one instrument measures.</summary>
    public const int MostMeasured = 8;

    private const int MostCharactersOfId = 40;

    /// <summary>It says what it is. The first line.</summary>
    /// <param name="Instrument">What it is.</param>
    public sealed record Hello(Instrument Instrument) : InstrumentLine;

    /// <summary>It says what it reads.</summary>
    /// <param name="Reading">The reading.</param>
    public sealed record Reads(Reading Reading) : InstrumentLine;

    /// <summary>It goes.</summary>
    public sealed record Bye : InstrumentLine;

    /// <summary>Reads a line.</summary>
    /// <param name="line">The line, without its end.</param>
    /// <returns>What it says, or what is wrong with it.</returns>
    public static Outcome<InstrumentLine> Parse(string line)
    {
        if (line.Length > MostCharacters)
        {
            return Wrong($"The line is longer than {MostCharacters} characters.", "Say one thing a line.");
        }

        var words = line.TrimEnd('\r').Split(' ');
        return words[0] switch
        {
            "hello" => ParseHello(words),
            "bye" when words.Length == 1 => Outcome<InstrumentLine>.Of(new Bye()),
            _ when Kebab<Measurand>.TryParse(words[0], out var what) => ParseReading(what, words),
            _ => Wrong($"'{Shown(words[0]):as-is}' is no word that a line begins with.", $"Begin with hello, bye or one of: {Known:as-is}."),
        };
    }

    /// <summary>The line of an instrument that says what it is.</summary>
    public static string Of(Instrument instrument) =>
        string.Join(' ', ["hello", instrument.Id, .. instrument.Measures.Select(each => $"{Kebab<Measurand>.Id(each.What)}:{Number(each.Step)}"), .. instrument.IsSimulated ? (string[])["simulated"] : [], $"name={instrument.Name}"]);

    /// <summary>The line of a reading.</summary>
    public static string Of(Reading reading) => $"{Kebab<Measurand>.Id(reading.What)} {Number(reading.Value)}{(reading.IsStill ? "" : " ~")}";

    private static Outcome<InstrumentLine> ParseReading(Measurand what, string[] words)
    {
        var limits = Measurable.All[what];
        return words.Length is not (2 or 3) || (words.Length == 3 && words[2] != "~") ? Wrong($"A reading is '{words[0]:as-is} 12.3', or '{words[0]:as-is} 12.3 ~' while it moves.", "Say the number and nothing else.")
            : !TryNumber(words[1], out var value) ? Wrong($"'{Shown(words[1]):as-is}' is no number.", "Write it with a point and no unit, such as 12.3.")
            : value < limits.Least || value > limits.Most ? Wrong($"{Number(value):as-is} is less or more than {words[0]:as-is} can be in {limits.Unit:as-is}: {Number(limits.Least):as-is} to {Number(limits.Most):as-is}.", "Check the unit.")
            : Outcome<InstrumentLine>.Of(new Reads(new Reading(what, value, words.Length == 2)));
    }

    private static Outcome<InstrumentLine> ParseHello(string[] words)
    {
        if (words.Length < 3 || words[1].Length is 0 or > MostCharactersOfId || !words[1].All(letter => letter is (>= 'a' and <= 'z') or (>= '0' and <= '9') or '-'))
        {
            return Wrong("A greeting is 'hello bench-scale mass:0.1 name=Bench scale'.", $"Give an identifier of small letters, digits and hyphens, at most {MostCharactersOfId} of them, and what it measures.");
        }

        var named = Array.FindIndex(words, word => word.StartsWith("name=", StringComparison.Ordinal));
        var said = words[2..(named < 0 ? words.Length : named)];
        var name = named < 0 ? words[1] : string.Join(' ', words[named..])["name=".Length..].Trim();
        List<Measured> measures = [];
        foreach (var word in said.Where(word => word != "simulated"))
        {
            if (word.Split(':') is not [var id, var step] || !Kebab<Measurand>.TryParse(id, out var what) || !TryNumber(step, out var size) || size is not (> 0 and <= 1000) || measures.Any(each => each.What == what))
            {
                return Wrong($"'{Shown(word):as-is}' does not say what is measured and in what steps.", $"Say it as mass:0.1, each once, with one of: {Known:as-is}.");
            }

            measures.Add(new Measured(what, size));
        }

        return measures.Count is 0 or > MostMeasured ? Wrong("It measures nothing, or too much.", $"Say one to {MostMeasured} things, as mass:0.1.")
            : name.Length is 0 or > 60 || PlainText.Fault(name, "name") is not null ? Wrong("Its name is empty, longer than 60 characters, or has characters that cannot be seen.", "Give it a short name.")
            : Outcome<InstrumentLine>.Of(new Hello(new Instrument(words[1], name, measures, said.Contains("simulated"))));
    }

    private static bool TryNumber(string word, out double number) =>
        double.TryParse(word, NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out number) && double.IsFinite(number);

    private static string Number(double value) => value.ToString("0.######", CultureInfo.InvariantCulture);

    /// <summary>A word of a line, so that it can be told in an answer.</summary>
    private static string Shown(string word) => PlainText.Shown(word[..Math.Min(word.Length, 40)]);

    private static string Known => string.Join(", ", Enum.GetValues<Measurand>().Select(Kebab<Measurand>.Id));

    private static Outcome<InstrumentLine> Wrong(Message what, Message remedy) => Outcome<InstrumentLine>.Failed(new Problem("bad-line", "line", what, remedy));
}
