using System.CommandLine;
using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.Materials;
using AbleMend.Core.Methods;
using AbleMend.Core.Plans;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Cli;

/// <summary>The command line: plan a case, list the vocabulary, print the schemas.</summary>
public static class CommandLine
{
    /// <summary>Largest case file that is read, in bytes.</summary>
    public const long LargestFileBytes = 1024 * 1024;

    private const int Fine = 0;
    private const int Faulty = 1;

    private static readonly JsonSerializerOptions Readable = new() { WriteIndented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping };
    private static readonly JsonSerializerOptions Pretty = new(OpenJson.Options) { WriteIndented = true };

    /// <summary>Runs a command.</summary>
    /// <returns>0 when all went well, 1 when the case was faulty or the words were wrong.</returns>
    public static int Run(string[] args, TextWriter terminal, TextWriter complaints, TimeProvider time)
    {
        var (output, errors) = (new PlainWriter(terminal), new PlainWriter(complaints));
        var root = new RootCommand("Able Mend: from damage to a plan with every figure worked out.")
        {
            PlanCommand(output, errors, time), CheckCommand(output, errors, time), VocabularyCommand(output), SchemaCommand(output), UnitsCommand(output), WordsCommand(output),
        };
        return root.Parse(args).Invoke(new InvocationConfiguration { Output = output, Error = errors });
    }

    private static Command PlanCommand(TextWriter output, TextWriter errors, TimeProvider time)
    {
        var file = new Argument<string>("CASE.json") { Description = "A case file, or - for standard input." };
        var json = new Option<bool>("--json") { Description = "Print the plan as JSON instead of as a sheet." };
        var units = new Option<string>("--units") { Description = "metric, or us for inches, psi and degrees Fahrenheit.", DefaultValueFactory = _ => "metric" };
        units.AcceptOnlyFromAmong("metric", "us");
        var language = new Option<string?>("--language") { Description = "A language file: JSON from English templates to another language's." };
        var command = new Command("plan", "Plan a case and print the plan.") { file, json, units, language };
        command.SetAction(parsed => WithVoice(parsed.GetValue(units)!, parsed.GetValue(language), errors, voice => WithPlan(parsed.GetValue(file)!, errors, time, voice, plan =>
            output.WriteLine(parsed.GetValue(json) ? JsonSerializer.Serialize(plan.Plan, Pretty) : PlanSheet.Write(plan.Plan, plan.Case, voice)))));
        return command;
    }

    private static Command CheckCommand(TextWriter output, TextWriter errors, TimeProvider time)
    {
        var file = new Argument<string>("CASE.json") { Description = "A case file, or - for standard input." };
        var command = new Command("check", "Say whether a case can be planned, and what is wrong with it.") { file };
        command.SetAction(parsed => WithPlan(parsed.GetValue(file)!, errors, time, Voice.Plain, _ => output.WriteLine("The case can be planned.")));
        return command;
    }

    private static Command VocabularyCommand(TextWriter output)
    {
        var command = new Command("vocabulary", "List constructions, places, damage kinds, materials and methods by identifier.");
        command.SetAction(_ => Vocabulary(output));
        return command;
    }

    private static Command WordsCommand(TextWriter output)
    {
        var command = new Command("words", "Print every sentence of the core, the server, the page and this command as a language file to fill in: JSON from the English template to itself.");
        command.SetAction(_ => output.WriteLine(JsonSerializer.Serialize(EveryTemplate().ToDictionary(template => template), Readable)));
        return command;
    }

    private static IEnumerable<string> EveryTemplate() =>
        Templates.All()
            .Concat(Templates.Listed(typeof(CommandLine), "words/edges.json"))
            .Concat(Templates.Listed(typeof(CommandLine), "words/page.json"))
            .Distinct().Order(StringComparer.Ordinal);

    private static Command UnitsCommand(TextWriter output)
    {
        var command = new Command("units", "Print the table of units as JSON: what each is in a shop that measures in inches.");
        command.SetAction(_ => output.WriteLine(UnitTable.Write()));
        return command;
    }

    private static Command SchemaCommand(TextWriter output)
    {
        var which = new Argument<string>("FORMAT") { Description = "case or plan." };
        which.AcceptOnlyFromAmong("case", "plan");
        var command = new Command("schema", "Print the JSON Schema of a format.") { which };
        command.SetAction(parsed => output.WriteLine(FormatSchemas.For(parsed.GetValue(which)!)));
        return command;
    }

    private static int WithVoice(string units, string? language, TextWriter errors, Func<Voice, int> use)
    {
        var system = units == "us" ? UnitSystem.Us : UnitSystem.Metric;
        var file = language is null ? null : CaseFile.Read(language);
        var words = file is null ? Outcome<Phrasebook>.Of(Phrasebook.English)
            : file.Value is { } text ? Phrasebook.Read(text)
            : Outcome<Phrasebook>.Failed(file.Problems);
        return words.Value is { } phrases ? use(new Voice(system, phrases)) : Tell(words.Problems, errors, Voice.Plain);
    }

    private static int WithPlan(string path, TextWriter errors, TimeProvider time, Voice voice, Action<(RepairCase Case, RepairPlan Plan)> use)
    {
        var text = CaseFile.Read(path);
        var read = text.Value is { } json ? OpenJson.ReadCase(json) : Outcome<RepairCase>.Failed(text.Problems);
        if (read.Value is not { } repairCase)
        {
            return Tell(read.Problems, errors, voice);
        }

        var started = repairCase with { Wanted = repairCase.Wanted with { StartAt = repairCase.Wanted.StartAt ?? time.GetUtcNow() } };
        var planned = Planner.Shipped().Plan(started);
        if (planned.Value is not { } plan)
        {
            return Tell(planned.Problems, errors, voice);
        }

        use((started, plan));
        return Fine;
    }

    private static int Tell(IReadOnlyList<Problem> problems, TextWriter errors, Voice voice)
    {
        foreach (var problem in problems)
        {
            errors.WriteLine($"{(problem.Field == "" ? "case" : problem.Field)}: {voice.Say(problem.Message)} {voice.Say(problem.Remedy)} [{problem.Code}]");
        }

        return Faulty;
    }

    private static void Vocabulary(TextWriter output)
    {
        var catalogue = Planner.Shipped().Catalogue;
        output.WriteLine("Constructions and their places");
        foreach (var construction in catalogue.ConstructionList)
        {
            output.WriteLine($"  {construction.Id,-24}{construction.Name}");
            output.WriteLine($"  {"",-24}places: {string.Join(", ", construction.Locations.Select(location => location.Id))}");
        }

        output.WriteLine("Damage kinds");
        output.WriteLine($"  {string.Join(", ", Enum.GetValues<DamageKind>().Select(Kebab<DamageKind>.Id))}");
        foreach (var role in Enum.GetValues<Role>())
        {
            output.WriteLine($"Materials: {Kebab<Role>.Id(role)}");
            foreach (var material in catalogue.MaterialList.Where(material => material.Role == role))
            {
                output.WriteLine($"  {material.Id,-24}{material.Name}");
            }
        }

        output.WriteLine("Methods");
        foreach (var method in AllMethods.List)
        {
            output.WriteLine($"  {method.Id,-24}{method.Name}. {method.Why}");
        }
    }
}
