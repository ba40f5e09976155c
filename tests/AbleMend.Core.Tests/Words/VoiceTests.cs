using AbleMend.Cli;
using AbleMend.Core.Quantities;
using static AbleMend.Core.Quantities.Measures;

namespace AbleMend.Core.Tests.Words;

/// <summary>Sentences are told in the reader's units and words. Sizes of units: NIST Special Publication 811, appendix B.</summary>
public class VoiceTests
{
    private static readonly Voice Us = new(UnitSystem.Us, Phrasebook.English);

    [Fact]
    public void A_sentence_is_said_in_the_units_of_its_reader()
    {
        Message scuff = $"Scuff {Mm(25)} of bright metal round it with {"P80":as-is}";
        Voice.Plain.Say(scuff).ShouldBe("Scuff 25 mm of bright metal round it with P80");
        Us.Say(scuff).ShouldBe("Scuff 0.98 in of bright metal round it with P80");
        Us.Say($"It takes {Celsius(10)} to {Celsius(30)}; the bench is at {Celsius(-5)}.").ShouldBe("It takes 50 °F to 86 °F; the bench is at 23 °F.");
        Us.Say($"Inflate it to {Kpa(103.421)}").ShouldBe("Inflate it to 15 psi");
    }

    /// <summary>A span of 5 K is 9 °F; nothing is added to it.</summary>
    [Fact]
    public void A_span_of_temperature_is_no_temperature() =>
        Us.Say($"Only {Apart(5)} above the dew point of {Celsius(10)}").ShouldBe("Only 9 °F above the dew point of 50 °F");

    [Fact]
    public void A_name_inside_a_sentence_loses_its_capital_unless_it_is_an_abbreviation()
    {
        Voice.Plain.Say($"Wipe with {"Pure acetone":inside}").ShouldBe("Wipe with pure acetone");
        Voice.Plain.Say($"Cut it from {"PVC-coated cloth":inside}").ShouldBe("Cut it from PVC-coated cloth");
    }

    [Fact]
    public void A_measure_in_a_text_of_the_data_follows_the_units()
    {
        Us.SayText("Base sheet, {1.4 mm}").ShouldBe("Base sheet, 0.055 in");
        Voice.Plain.SayText("Base sheet, {1.4 mm}").ShouldBe("Base sheet, 1.4 mm");
    }

    [Fact]
    public void Ends_that_are_nought_are_left_off_in_a_sentence_and_kept_in_a_column()
    {
        Voice.Plain.Say($"{Ml(20):0.0} of resin").ShouldBe("20 mL of resin");
        Voice.Plain.Measure(20, "mL", 1).ShouldBe("20.0 mL");
        Voice.Plain.Measure(100, "mm", 0, trimmed: true).ShouldBe("100 mm");
        Voice.Plain.Measure(179, "min", 0).ShouldBe("179 min");
        Voice.Plain.Measure(447.2, "min", 0).ShouldBe("7 h 27 min", "nobody counts that in minutes");
        Voice.Plain.Measure(480, "label min", 0).ShouldBe("8 h");
    }

    [Fact]
    public void Another_language_moves_the_places_and_keeps_the_figures()
    {
        var book = Phrasebook.Read("""{"Drill {0} at each end": "An jedem Ende {0} bohren"}""").Value!;
        new Voice(UnitSystem.Metric, book).Say($"Drill {Mm(4)} at each end").ShouldBe("An jedem Ende 4 mm bohren");
    }

    [Theory]
    [InlineData("""{"Drill {0}": "Bohren"}""", "Drill {0}")]
    [InlineData("""{"Drill": "{0} bohren"}""", "Drill")]
    [InlineData("[]", "")]
    public void A_language_file_with_a_fault_is_refused_with_its_entry(string file, string entry)
    {
        var problem = Phrasebook.Read(file).Problems.Single();
        (problem.Code, problem.Field).ShouldBe(("broken-language", entry));
    }

    [Fact]
    public void What_somebody_typed_is_said_as_it_stands_in_every_language()
    {
        var resin = "epoxy";
        var pseudo = new Voice(UnitSystem.Metric, Phrasebook.Pseudo(["There is no {0}.", "epoxy"]));
        pseudo.Say($"There is no {resin:as-is}.").ShouldBe("⟦Théré îs nø epoxy.⟧");
        pseudo.Say($"There is no {resin}.").ShouldBe("⟦Théré îs nø ⟦épøxy⟧.⟧");
    }

    [Fact]
    public void A_message_is_the_same_after_it_was_kept_as_JSON()
    {
        Message message = $"Pass {2} of {Mm(2.5):0.0}, {"Pure acetone":inside}, {(Message)$"then {Kpa(20)}"}, {"P80":as-is}";
        var json = System.Text.Json.JsonSerializer.Serialize(message, OpenJson.Options);
        System.Text.Json.JsonSerializer.Deserialize<Message>(json, OpenJson.Options).ShouldBe(message.Told());
        System.Text.Json.JsonSerializer.Serialize((Message)"Dry it", OpenJson.Options).ShouldBe("\"Dry it\"");
    }

    [Fact]
    public void The_page_reads_the_same_table_of_units() =>
        File.ReadAllText(Path.Combine(Repository.Root, "web", "src", "measures", "units.json")).ReplaceLineEndings("\n").TrimEnd().ShouldBe(UnitTable.Write().ReplaceLineEndings("\n"));
}
