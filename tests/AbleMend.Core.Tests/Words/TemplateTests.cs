using System.Reflection;
using System.Text.Json;
using System.Text.RegularExpressions;
using AbleMend.Core.Methods;
using AbleMend.Core.Proving;
using AbleMend.Core.Quantities;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Words;

/// <summary>Every word of a plan can be listed and replaced; none is put together where no language file could know it.</summary>
public partial class TemplateTests
{
    private static readonly string Kept = Path.Combine(Repository.Root, "src", "AbleMend.Core", "Words", "templates.json");
    private static readonly string KeptOfTheEdges = Path.Combine(Repository.Root, "src", "AbleMend.Cli", "Words", "templates.json");

    public static TheoryData<string> Worked => [.. GalleryTests.Ids];

    [Fact]
    public void No_text_that_is_put_together_at_run_time_becomes_a_message() => SourceWords.Faults.ShouldBeEmpty();

    /// <summary>A measure that is frozen in a sentence would stay metric for a reader of inches, and stay what it was when its figure changes.</summary>
    [Fact]
    public void No_template_has_a_measure_frozen_in_it() =>
        SourceWords.OfTheCore.Concat(SourceWords.OfTheEdges).Concat(CatalogueWords()).Where(template => Measure().IsMatch(template)).ShouldBeEmpty();

    /// <summary>Run with <c>ABLE_MEND_APPROVE=1</c> to write the list anew.</summary>
    [Fact]
    public void The_list_of_templates_is_current()
    {
        Current(Kept, SourceWords.OfTheCore.Concat(CatalogueWords()));
        Current(KeptOfTheEdges, SourceWords.OfTheEdges.Except(SourceWords.OfTheCore).Concat(GalleryTests.Titles));
    }

    private static void Current(string kept, IEnumerable<string> templates)
    {
        var json = JsonSerializer.Serialize(templates.Where(text => text.Length > 0).Distinct().Order(StringComparer.Ordinal),
            new JsonSerializerOptions { WriteIndented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping }).ReplaceLineEndings("\n") + "\n";
        if (Environment.GetEnvironmentVariable("ABLE_MEND_APPROVE") == "1")
        {
            File.WriteAllText(kept, json);
        }

        json.ShouldBe(File.ReadAllText(kept));
    }

    [Theory]
    [MemberData(nameof(Worked))]
    public void No_word_of_a_plan_lies_outside_a_language_that_nobody_speaks(string id)
    {
        var repairCase = GalleryTests.Read(id);
        var outcome = Cases.Planner.Plan(repairCase);
        var pseudo = new Voice(UnitSystem.Us, Phrasebook.Pseudo(Templates.All()));
        foreach (var message in Messages(outcome.Value!, []).Where(message => !message.IsEmpty))
        {
            pseudo.Say(message).ShouldStartWith("⟦", customMessage: message.Template);
        }
    }

    [Fact]
    public void A_problem_is_told_in_other_words_as_well()
    {
        var pseudo = new Voice(UnitSystem.Metric, Phrasebook.Pseudo(Templates.All()));
        var problems = Cases.DeckDing(-1).AtBench(bench => bench with { TemperatureC = 99, Zone = "Nowhere" }).Refused();
        problems.ShouldAllBe(problem => pseudo.Say(problem.Message).StartsWith('⟦') && pseudo.Say(problem.Remedy).StartsWith('⟦'));
    }

    private static IReadOnlyList<object> Entries()
    {
        var catalogue = Cases.Planner.Catalogue;
        return
        [
            catalogue.Vocabulary, .. catalogue.Substances.Values, .. catalogue.ConstructionList, .. catalogue.MaterialList, .. catalogue.Rules, .. catalogue.Cautions.Values,
            .. catalogue.SchoolList, .. catalogue.LookTests, .. catalogue.Triage, .. catalogue.Aftercare, .. catalogue.Mishaps, .. ProofTest.All.Values,
        ];
    }

    [Fact]
    public void Whatever_has_words_of_its_own_is_among_what_a_language_file_tells()
    {
        var told = Entries().SelectMany(Within).Select(each => each.GetType()).ToHashSet();
        typeof(Message).Assembly.GetTypes().Where(type => !type.IsAbstract && type.GetProperties().Any(property => property.IsDefined(typeof(WordsAttribute))))
            .Where(type => !told.Contains(type)).ShouldBeEmpty();
    }

    private static IEnumerable<object> Within(object entry) =>
        entry.GetType().GetProperties().Where(property => property.GetIndexParameters().Length == 0).SelectMany(property =>
            property.GetValue(entry) switch
            {
                System.Collections.IEnumerable list and not string => list.Cast<object>().Where(each => IsOurs(each.GetType())).SelectMany(Within),
                { } inner when IsOurs(inner.GetType()) => Within(inner),
                _ => [],
            }).Prepend(entry);

    private static IEnumerable<string> CatalogueWords()
    {
        var catalogue = Cases.Planner.Catalogue;
        return Entries().SelectMany(Texts)
            .Concat(AllMethods.List.SelectMany(method => new[] { method.Name, method.Why }))
            .Concat(catalogue.MaterialList.Select(material => material.Source)).Concat(catalogue.ConstructionList.Select(construction => construction.Source)).Concat(catalogue.Rules.Select(rule => rule.Source))
            .Concat(Units.All.Values.SelectMany(unit => new[] { unit.Text, unit.Us?.Symbol ?? "" }))
            .Select(text => Message.Parse(text).Template);
    }

    private static IEnumerable<string> Texts(object entry) =>
        Within(entry).SelectMany(each => each.GetType().GetProperties().Where(property => property.IsDefined(typeof(WordsAttribute))).Select(property => property.GetValue(each)).OfType<string>());

    private static IEnumerable<Message> Messages(object value, HashSet<object> seen)
    {
        if (!seen.Add(value))
        {
            return [];
        }

        return value.GetType().GetProperties().Where(property => property.GetIndexParameters().Length == 0).SelectMany(property =>
            property.GetValue(value) switch
            {
                Message message => [message],
                System.Collections.IEnumerable list and not string => list.Cast<object>().Where(each => IsOurs(each.GetType())).SelectMany(each => Messages(each, seen)),
                { } inner when IsOurs(inner.GetType()) => Messages(inner, seen),
                _ => Array.Empty<Message>(),
            });
    }

    private static bool IsOurs(Type type) => type.IsClass && type.Assembly == typeof(Message).Assembly;

    [GeneratedRegex(@"(?<!P\d*)\d ?(mm|cm|mL|kPa|MPa|°C|°F|g/m²|cm²|kg|psi|in|µm)(?![\w²])")]
    private static partial Regex Measure();
}
