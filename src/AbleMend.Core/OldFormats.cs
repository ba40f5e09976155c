using System.Text.Json;
using System.Text.Json.Nodes;

namespace AbleMend.Core;

/// <summary>
/// Cases and plans that an earlier version wrote. Each step lifts a document from one version of its format to the next, so that
/// only the newest is known anywhere else.
/// </summary>
public static class OldFormats
{
    private static readonly IReadOnlyDictionary<string, Action<JsonObject>> Steps = new Dictionary<string, Action<JsonObject>>
    {
        ["able-mend/case/1"] = CaseOfOneDamage,
        ["able-mend/plan/1"] = PlanOfPlainTexts,
        ["able-mend/plan/2"] = PlanOfOneDamage,
    };

    /// <summary>Whether a text may hold a document of an earlier version: a quick look, before anything is read.</summary>
    public static bool MayBeIn(string json) => Steps.Keys.Any(format => json.Contains(format, StringComparison.Ordinal));

    /// <summary>The document in the newest version of its format, with the case inside it where it holds one; what is not JSON, or of no earlier version, comes back as it is.</summary>
    public static string Lift(string json)
    {
        if (!MayBeIn(json))
        {
            return json;
        }

        try
        {
            if (JsonNode.Parse(json, documentOptions: new JsonDocumentOptions { MaxDepth = OpenJson.Options.MaxDepth }) is not JsonObject document)
            {
                return json;
            }

            Lift(document);
            if (document["case"] is JsonObject inner)
            {
                Lift(inner);
            }

            return document.ToJsonString();
        }
        catch (Exception broken) when (broken is JsonException or InvalidOperationException or ArgumentException)
        {
            // Whoever reads it says what is wrong, and where.
            return json;
        }
    }

    private static void Lift(JsonObject document)
    {
        while (document["format"] is JsonValue written && written.TryGetValue<string>(out var format) && Steps.TryGetValue(format, out var step))
        {
            step(document);
        }
    }

    /// <summary>A case had one damage, with the choice and the figures set by hand beside it.</summary>
    private static void CaseOfOneDamage(JsonObject document)
    {
        document["format"] = "able-mend/case/2";
        var damage = new JsonObject();
        Move(document, "damage", damage, "seen");
        Move(document, "choice", damage, "choice");
        Move(document, "overrides", damage, "overrides");
        document["damages"] = new JsonArray(damage);
    }

    /// <summary>
    /// A plan had plain strings where texts stand, which are read as texts without arguments; and a figure's inputs were names with
    /// numbers, which become figures of their own so that a reason still opens.
    /// </summary>
    private static void PlanOfPlainTexts(JsonObject document)
    {
        document["format"] = "able-mend/plan/2";
        if (document["figures"] is not JsonArray figures)
        {
            return;
        }

        foreach (var figure in figures.OfType<JsonObject>().ToList())
        {
            figure["kind"] = "worked";
            figure["foundedOn"] = figure["derivation"]?["source"]?["kind"]?.DeepClone();
            if (figure["derivation"]?["inputs"] is JsonArray written)
            {
                var inputs = written.OfType<JsonObject>().Select((input, i) => InputAsFigure(input, $"{figure["id"]}.input-{i + 1}")).ToList();
                figure["derivation"]!["inputs"] = new JsonArray([.. inputs.Select(input => input["id"]?.DeepClone())]);
                inputs.ForEach(figures.Add);
            }
        }
    }

    private static JsonObject InputAsFigure(JsonObject input, string id) => new()
    {
        ["id"] = id,
        ["label"] = input["name"]?.DeepClone(),
        ["value"] = input["value"]?.DeepClone(),
        ["unit"] = input["unit"]?.DeepClone(),
        ["decimals"] = 2,
        ["kind"] = "fact",
        ["derivation"] = new JsonObject
        {
            ["rule"] = "It stood in the plan as it was written",
            ["source"] = new JsonObject { ["kind"] = "shop", ["citation"] = "A plan of an earlier version." },
            ["inputs"] = new JsonArray(),
            ["wouldChange"] = null,
        },
        ["foundedOn"] = "shop",
        ["setByHand"] = null,
    };

    /// <summary>A plan was that of one damage.</summary>
    private static void PlanOfOneDamage(JsonObject document)
    {
        document["format"] = "able-mend/plan/3";
        var damage = new JsonObject { ["number"] = 1, ["verdict"] = document["verdict"]?.DeepClone() };
        foreach (var name in (IEnumerable<string>)["candidates", "system", "drawing", "patches", "schools", "properRepair", "aftercare", "lastCure"])
        {
            Move(document, name, damage, name);
        }

        document["damages"] = new JsonArray(damage);
        foreach (var step in (document["steps"] as JsonArray ?? []).OfType<JsonObject>().Where(step => step["stage"]?.ToString() == "mix"))
        {
            step["pour"] = PourOf([.. (step["figures"] as JsonArray ?? []).Select(figure => $"{figure}")]);
        }
    }

    /// <summary>What went into a cup was known by how its figures are called, in the order in which it goes in.</summary>
    private static JsonObject PourOf(IReadOnlyList<string> figures)
    {
        string? Ending(string end) => figures.FirstOrDefault(id => id.EndsWith(end, StringComparison.Ordinal));
        var inParts = Ending(".part-a") is not null;
        var parts = ((IEnumerable<string>)[".kits", ".part-a", ".part-a-g", ".part-b", ".part-b-g", ".batch", ".resin-g", ".catalyst-drops", ".filler"])
            .Where(end => !inParts || end != ".batch").Select(Ending).OfType<string>();
        var lead = new[] { Ending(".part-a") ?? Ending(".batch"), Ending(".part-b") ?? Ending(".catalyst-drops") }.OfType<string>();
        return new JsonObject
        {
            ["parts"] = new JsonArray([.. parts.Select(id => JsonValue.Create(id))]),
            ["lead"] = new JsonArray([.. lead.Select(id => JsonValue.Create(id))]),
            ["cups"] = Ending(".batches"),
        };
    }

    private static void Move(JsonObject from, string name, JsonObject to, string newName)
    {
        if (from.TryGetPropertyValue(name, out var value))
        {
            from.Remove(name);
            to[newName] = value;
        }
    }
}
