using System.Text.Json;
using System.Text.Json.Nodes;
using AbleMend.Core.Tests.Gallery;

namespace AbleMend.Core.Tests.Plans;

/// <summary>Every number and every word of every worked case, one at a time made absurd: a named problem each time, and never an exception.</summary>
public class AbsurdCaseTests
{
    /// <summary>Free words, which may say anything.</summary>
    private static readonly string[] FreeWords = ["tag", "place", "reason", "storage", "source", "name", "id"];

    private static readonly double[] Absurd = [-1e9, 1e300];

    [Theory]
    [MemberData(nameof(GalleryTests.Checked), MemberType = typeof(GalleryTests))]
    public void An_absurd_number_is_refused_by_its_name(string example)
    {
        foreach (var (path, _) in Leaves(Parse(example)).Where(leaf => leaf.Value.GetValueKind() == JsonValueKind.Number))
        {
            foreach (var absurd in Absurd)
            {
                var problems = Problems(example, path, JsonValue.Create(absurd));
                problems.ShouldNotBeEmpty($"{example}: {path} = {absurd}");
                problems.ShouldContain(problem => Names(problem.Field, path), $"{example}: {path} = {absurd} gives {string.Join("; ", problems.Select(problem => problem.Field))}");
                problems.ShouldAllBe(problem => problem.Remedy.ToString().Length > 5);
            }
        }
    }

    [Theory]
    [MemberData(nameof(GalleryTests.Checked), MemberType = typeof(GalleryTests))]
    public void An_unknown_word_is_refused_by_its_name(string example)
    {
        foreach (var (path, _) in Leaves(Parse(example)).Where(leaf => leaf.Value.GetValueKind() == JsonValueKind.String && !FreeWords.Contains(leaf.Path.Split('.')[^1])))
        {
            var problems = Problems(example, path, JsonValue.Create("xyzzy"));
            problems.ShouldContain(problem => Names(problem.Field, path), $"{example}: {path} gives {string.Join("; ", problems.Select(problem => problem.Field))}");
        }
    }

    [Theory]
    [InlineData("damages[0].seen.cause", "knock")]
    [InlineData("damages[0].seen.kind", "puncture")]
    [InlineData("bench.light", "full-sun")]
    [InlineData("wanted.permanence", "lasting")]
    public void A_word_that_is_not_known_is_answered_with_those_that_are(string path, string known) =>
        Problems("csm-tube-puncture", path, JsonValue.Create("xyzzy")).ShouldContain(problem => problem.Field == path && problem.Remedy.ToString().Contains(known));

    [Theory]
    [MemberData(nameof(GalleryTests.All), MemberType = typeof(GalleryTests))]
    public void A_field_that_is_left_out_or_of_the_wrong_kind_never_throws(string example)
    {
        foreach (var (path, _) in Leaves(Parse(example)))
        {
            Problems(example, path, new JsonArray(new JsonObject())).ShouldNotBeEmpty($"{example}: {path}");
            Problems(example, path, null);
            var without = Parse(example);
            LeaveOut(without, path);
            Problems(without);
        }
    }

    [Theory]
    [InlineData(null)]
    [InlineData("spoon")]
    public void What_is_of_no_known_kind_is_told_the_kinds(string? kind)
    {
        var root = Parse("fin-box-surround");
        root["tools"]!["measure"] = kind is null ? new JsonObject { ["stepG"] = 1 } : new JsonObject { ["kind"] = kind, ["stepG"] = 1 };
        var problem = Problems(root).ShouldHaveSingleItem();
        problem.Field.ShouldBe("tools.measure");
        problem.Remedy.ToString().ShouldContain("cup, scale, syringe, pump");
    }

    public static TheoryData<string> Labels => [.. Cases.Planner.Catalogue.MaterialList.Select(material => material.Id)];

    [Theory]
    [MemberData(nameof(Labels))]
    public void An_absurd_number_on_a_products_label_is_refused_by_its_name(string material)
    {
        var own = Cases.Planner.Catalogue.Materials[material] with { Id = "own" };
        var repairCase = JsonSerializer.SerializeToNode(Cases.DeckDing() with { Products = [own] }, OpenJson.Options)!;
        Problems(repairCase).ShouldBeEmpty();
        foreach (var (path, _) in Leaves(repairCase["products"]!, "products").Where(leaf => leaf.Value.GetValueKind() == JsonValueKind.Number))
        {
            foreach (var absurd in Absurd)
            {
                var changed = repairCase.DeepClone();
                Put(changed, path, JsonValue.Create(absurd));
                Problems(changed).ShouldContain(problem => Names(problem.Field, path), $"{material}: {path} = {absurd} gives {string.Join("; ", Problems(changed).Select(problem => problem.Field))}");
            }
        }
    }

    private static JsonNode Parse(string example) => JsonNode.Parse(File.ReadAllText(Path.Combine(Repository.Root, "examples", $"{example}.case.json")))!;

    private static IReadOnlyList<Problem> Problems(string example, string path, JsonNode? value)
    {
        var root = Parse(example);
        Put(root, path, value);
        return Problems(root);
    }

    private static IReadOnlyList<Problem> Problems(JsonNode root)
    {
        var read = OpenJson.ReadCase(root.ToJsonString());
        return read.Value is { } repairCase ? Cases.Planner.Plan(repairCase).Problems : read.Problems;
    }

    /// <summary>Whether a problem is laid at a field: at it, at what holds it, or at what depends on it under the same roof.</summary>
    private static bool Names(string field, string path) => path == field || (field.Length > 0 && path.StartsWith(field, StringComparison.Ordinal));

    private static IEnumerable<(string Path, JsonValue Value)> Leaves(JsonNode node, string path = "") =>
        node switch
        {
            JsonObject map => map.Where(pair => pair.Value is not null).SelectMany(pair => Leaves(pair.Value!, path.Length == 0 ? pair.Key : $"{path}.{pair.Key}")),
            JsonArray list => list.SelectMany((each, i) => Leaves(each!, $"{path}[{i}]")),
            JsonValue value => [(path, value)],
            _ => [],
        };

    private static (JsonNode Holder, string Key) PlaceOf(JsonNode root, string path)
    {
        var keys = path.Replace("[", ".", StringComparison.Ordinal).Replace("]", "", StringComparison.Ordinal).Split('.');
        return (keys[..^1].Aggregate(root, (node, key) => node is JsonArray list ? list[int.Parse(key, System.Globalization.CultureInfo.InvariantCulture)]! : node[key]!), keys[^1]);
    }

    private static void LeaveOut(JsonNode root, string path)
    {
        var (holder, key) = PlaceOf(root, path);
        if (holder is JsonObject named)
        {
            named.Remove(key);
        }
    }

    private static void Put(JsonNode root, string path, JsonNode? value)
    {
        var (holder, last) = PlaceOf(root, path);
        if (holder is JsonArray array)
        {
            array[int.Parse(last, System.Globalization.CultureInfo.InvariantCulture)] = value;
        }
        else
        {
            holder[last] = value;
        }
    }
}
