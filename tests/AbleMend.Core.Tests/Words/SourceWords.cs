using System.Globalization;
using System.Text;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace AbleMend.Core.Tests.Words;

/// <summary>Reads the messages off the product's own source: every template, and every place where a text becomes one that no language file could know.</summary>
internal static class SourceWords
{
    private static readonly string[] Projects = ["AbleMend.Core", "AbleMend.Data", "AbleMend.Server", "AbleMend.Cli"];
    private static readonly Lazy<(IReadOnlyDictionary<string, SortedSet<string>> Templates, IReadOnlyList<string> Faults)> Found = new(Read);

    /// <value>Templates that stand in the source of the core.</value>
    public static IReadOnlyCollection<string> OfTheCore => Found.Value.Templates[Projects[0]];

    /// <value>Templates that stand in what is built round the core: server, data and command line.</value>
    public static IEnumerable<string> OfTheEdges => Projects.Skip(1).SelectMany(project => Found.Value.Templates[project]);

    /// <value>Places where a text that is put together at run time becomes a message.</value>
    public static IReadOnlyList<string> Faults => Found.Value.Faults;

    /// <summary>What is written by hand, and what every file of a project uses unsaid, in whatever configuration it was built.</summary>
    private static IEnumerable<string> Sources(string root)
    {
        var built = Directory.GetFiles(root, "*.cs", SearchOption.AllDirectories).ToLookup(path => path.Contains("/obj/", StringComparison.Ordinal) || path.Contains("/bin/", StringComparison.Ordinal));
        return built[false].Where(path => !path.Contains("/Migrations/", StringComparison.Ordinal))
            .Concat(built[true].Where(path => path.EndsWith(".GlobalUsings.g.cs", StringComparison.Ordinal)).DistinctBy(Path.GetFileName));
    }

    private static (IReadOnlyDictionary<string, SortedSet<string>>, IReadOnlyList<string>) Read()
    {
        var templates = Projects.ToDictionary(project => project, _ => new SortedSet<string>(StringComparer.Ordinal));
        var faults = new List<string>();
        var root = Path.Combine(Repository.Root, "src");
        var options = new CSharpParseOptions(LanguageVersion.Latest);
        var trees = Projects.SelectMany(project => Sources(Path.Combine(root, project)))
            .Select(path => CSharpSyntaxTree.ParseText(File.ReadAllText(path), options, path)).ToList();
        var references = ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!).Split(Path.PathSeparator).Where(path => !IsOurs(path)).Concat(WebFramework()).Select(path => MetadataReference.CreateFromFile(path));
        // What may be null is the build's to find out, and takes as long again as what is asked here.
        var compilation = CSharpCompilation.Create("AbleMend", trees, references, new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary, nullableContextOptions: NullableContextOptions.Disable));
        foreach (var tree in trees)
        {
            var model = compilation.GetSemanticModel(tree);
            var found = templates[Projects.Single(project => tree.FilePath.Contains($"/{project}/", StringComparison.Ordinal))];
            foreach (var expression in tree.GetRoot().DescendantNodes().OfType<ExpressionSyntax>())
            {
                Look(model, expression, found, faults);
            }
        }

        return (templates, faults);
    }

    /// <summary>The assemblies that the server stands on, beside those that this test itself runs on.</summary>
    private static IEnumerable<string> WebFramework()
    {
        var runtime = new DirectoryInfo(System.Runtime.InteropServices.RuntimeEnvironment.GetRuntimeDirectory());
        return Directory.GetFiles(Path.Combine(runtime.Parent!.Parent!.FullName, "Microsoft.AspNetCore.App", runtime.Name), "*.dll");
    }

    private static bool IsOurs(string path) => Projects.Contains(Path.GetFileNameWithoutExtension(path)) || Path.GetFileName(path) == "able-mend.dll";

    private static void Look(SemanticModel model, ExpressionSyntax expression, SortedSet<string> templates, List<string> faults)
    {
        if (expression is CastExpressionSyntax { Expression: InterpolatedStringExpressionSyntax cast, Type: IdentifierNameSyntax { Identifier.Text: "Message" } })
        {
            templates.Add(TemplateOf(cast));
            return;
        }

        var types = model.GetTypeInfo(expression);
        // The short name first: it is asked of every expression, and the long one is put together anew each time.
        if (types.ConvertedType is not { Name: "Message" } converted || converted.ToDisplayString().TrimEnd('?') != "AbleMend.Core.Words.Message")
        {
            return;
        }

        switch (expression)
        {
            case InterpolatedStringExpressionSyntax sentence:
                templates.Add(TemplateOf(sentence));
                break;
            case LiteralExpressionSyntax { Token.Value: string text }:
                templates.Add(text);
                break;
            case ConditionalExpressionSyntax or SwitchExpressionSyntax or ParenthesizedExpressionSyntax or BinaryExpressionSyntax when types.Type?.SpecialType == SpecialType.System_String:
                // A choice between texts: each of them has to be one that is written here.
                foreach (var text in Texts(expression))
                {
                    Add(model, text, templates, faults);
                }

                break;
            default:
                if (types.Type?.SpecialType == SpecialType.System_String)
                {
                    Add(model, expression, templates, faults);
                }

                break;
        }
    }

    private static IEnumerable<ExpressionSyntax> Texts(ExpressionSyntax expression) =>
        expression switch
        {
            ConditionalExpressionSyntax choice => Texts(choice.WhenTrue).Concat(Texts(choice.WhenFalse)),
            SwitchExpressionSyntax choice => choice.Arms.SelectMany(arm => Texts(arm.Expression)),
            ParenthesizedExpressionSyntax inner => Texts(inner.Expression),
            LiteralExpressionSyntax literal when literal.IsKind(SyntaxKind.NullLiteralExpression) => [],
            _ => [expression],
        };

    private static void Add(SemanticModel model, ExpressionSyntax text, SortedSet<string> templates, List<string> faults)
    {
        if (model.GetConstantValue(text) is { HasValue: true, Value: string constant })
        {
            templates.Add(constant);
        }
        else if (model.GetConstantValue(text) is not { HasValue: true, Value: null })
        {
            var line = text.GetLocation().GetLineSpan();
            faults.Add($"{Path.GetFileName(line.Path)}({line.StartLinePosition.Line + 1}): {text}");
        }
    }

    private static string TemplateOf(InterpolatedStringExpressionSyntax sentence)
    {
        var template = new StringBuilder();
        var place = 0;
        foreach (var part in sentence.Contents)
        {
            template.Append(part is InterpolatedStringTextSyntax text ? text.TextToken.ValueText : string.Create(CultureInfo.InvariantCulture, $"{{{place++}}}"));
        }

        return template.ToString();
    }
}
