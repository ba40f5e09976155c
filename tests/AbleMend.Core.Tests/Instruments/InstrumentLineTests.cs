using AbleMend.Core.Instruments;
using CsCheck;

namespace AbleMend.Core.Tests.Instruments;

/// <summary>The line protocol of instruments: what is said comes back as it was said, and what is broken is refused by name.</summary>
public class InstrumentLineTests
{
    private static readonly Instrument Scale = new("bench-scale", "Bench scale", [new Measured(Measurand.Mass, 0.1)], false);

    [Theory]
    [InlineData("hello bench-scale mass:0.1 name=Bench scale")]
    [InlineData("hello probe-2 air-temperature:0.1 humidity:1 simulated name=Ofen Süd")]
    [InlineData("mass 12.3")]
    [InlineData("mass -0.4 ~")]
    [InlineData("gauge-pressure 20.01")]
    [InlineData("bye")]
    public void A_line_reads_back_as_it_was_written(string line)
    {
        var said = InstrumentLine.Parse(line).Value.ShouldNotBeNull();
        (said switch
        {
            InstrumentLine.Hello hello => InstrumentLine.Of(hello.Instrument),
            InstrumentLine.Reads reads => InstrumentLine.Of(reads.Reading),
            _ => "bye",
        }).ShouldBe(line);
    }

    [Fact]
    public void An_instrument_without_a_name_is_called_by_its_identifier()
    {
        var hello = InstrumentLine.Parse("hello bench-scale mass:0.1").Value.ShouldBeOfType<InstrumentLine.Hello>();
        (hello.Instrument.Id, hello.Instrument.Name, hello.Instrument.Measures.Single(), hello.Instrument.IsSimulated).ShouldBe(("bench-scale", "bench-scale", new Measured(Measurand.Mass, 0.1), false));
        InstrumentLine.Parse(InstrumentLine.Of(Scale)).Value.ShouldBeOfType<InstrumentLine.Hello>().Instrument.Name.ShouldBe("Bench scale");
    }

    [Theory]
    [InlineData("", "no word")]
    [InlineData("weight 12", "mass, gauge-pressure")]
    [InlineData("mass", "A reading is")]
    [InlineData("mass 12,3", "no number")]
    [InlineData("mass 12.3 g", "A reading is")]
    [InlineData("mass NaN", "no number")]
    [InlineData("mass 1e400", "no number")]
    [InlineData("humidity 101", "0 to 100")]
    [InlineData("gauge-pressure 2900", "kPa")]
    [InlineData("hello", "A greeting is")]
    [InlineData("hello Bench mass:0.1", "small letters")]
    [InlineData("hello bench", "A greeting is")]
    [InlineData("hello bench mass", "in what steps")]
    [InlineData("hello bench mass:0", "in what steps")]
    [InlineData("hello bench mass:0.1 mass:0.2", "each once")]
    [InlineData("hello bench simulated", "measures nothing")]
    [InlineData("hello bench mass:0.1 name=", "name is empty")]
    [InlineData("hello bench mass:0.1 name=a\u202Eb", "cannot be seen")]
    [InlineData("bye now", "no word")]
    public void A_broken_line_says_what_is_wrong_and_what_to_say(string line, string words)
    {
        var problem = InstrumentLine.Parse(line).Problems.ShouldHaveSingleItem();
        $"{problem.Message} {problem.Remedy}".ShouldContain(words);
    }

    [Fact]
    public void Whatever_comes_down_the_line_is_read_or_refused() =>
        Gen.Char.Array[0, 260].Select(letters => new string(letters)).Sample(line =>
        {
            var read = InstrumentLine.Parse(line);
            return read.Value is not null || read.Problems.Count == 1;
        });

    [Fact]
    public void Every_reading_of_every_measurand_survives_the_line() =>
        Gen.Select(Gen.Enum<Measurand>(), Gen.Double[0, 1], Gen.Bool).Sample((what, share, still) =>
        {
            var limits = Measurable.All[what];
            var value = Math.Round(limits.Least + (share * (limits.Most - limits.Least)), 4);
            return InstrumentLine.Parse(InstrumentLine.Of(new Reading(what, value, still))).Value is InstrumentLine.Reads reads && Math.Abs(reads.Reading.Value - value) < 1e-6 && reads.Reading.IsStill == still;
        });
}
