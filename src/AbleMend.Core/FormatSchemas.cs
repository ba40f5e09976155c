using System.Reflection;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using AbleMend.Core.Cases;
using AbleMend.Core.Limits;
using AbleMend.Core.Plans;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;

namespace AbleMend.Core;

/// <summary>JSON Schemas of the open formats, made from the types that read and write them, so that they cannot drift.</summary>
public static class FormatSchemas
{
    private static readonly JsonSerializerOptions Indented = new(OpenJson.Options) { WriteIndented = true };

    /// <summary>The schema of a format.</summary>
    /// <param name="format"><c>case</c> or <c>plan</c>.</param>
    /// <exception cref="ArgumentException">The format is not known.</exception>
    public static string For(string format)
    {
        var (type, title) = format switch
        {
            "case" => (typeof(RepairCase), RepairCase.CurrentFormat),
            "plan" => (typeof(RepairPlan), RepairPlan.CurrentFormat),
            _ => throw new ArgumentException($"'{format}' is neither case nor plan.", nameof(format)),
        };
        var options = new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true, TransformSchemaNode = Describe };
        var schema = (JsonObject)OpenJson.Options.GetJsonSchemaAsNode(type, options);
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", title);
        return schema.ToJsonString(Indented);
    }

    /// <summary>What has a converter of its own is described here: messages are a text, or a template with its arguments; quantities of one unit are numbers.</summary>
    private static JsonNode Describe(JsonSchemaExporterContext context, JsonNode schema)
    {
        var type = context.TypeInfo.Type;
        if (context.PropertyInfo?.AttributeProvider is { } field && schema is JsonObject described)
        {
            Limit(described, field);
        }

        return type == typeof(Message) ? MessageSchema()
            : type == typeof(CureTime) || type == typeof(CureTime?) ? new JsonObject { ["type"] = type == typeof(CureTime) ? "number" : new JsonArray("number", "null") }
            : schema;
    }

    /// <summary>Writes the limits that stand on a field into its schema.</summary>
    private static void Limit(JsonObject schema, ICustomAttributeProvider field)
    {
        if (field.GetCustomAttributes(typeof(LimitsAttribute), true) is [LimitsAttribute limits])
        {
            (schema["minimum"], schema["maximum"]) = (limits.Least, limits.Most);
        }

        if (field.GetCustomAttributes(typeof(SizeAttribute), true) is [SizeAttribute size])
        {
            var of = schema.ContainsKey("items") ? "Items" : "Length";
            (schema[$"min{of}"], schema[$"max{of}"]) = (size.Least, size.Most);
        }
    }

    private static JsonObject MessageSchema() => new()
    {
        ["anyOf"] = new JsonArray(
            new JsonObject { ["type"] = "string" },
            new JsonObject
            {
                ["type"] = "object",
                ["properties"] = new JsonObject
                {
                    ["template"] = new JsonObject { ["type"] = "string" },
                    ["args"] = new JsonObject { ["type"] = "array", ["items"] = new JsonObject { ["type"] = "object", ["required"] = new JsonArray("kind") } },
                },
                ["required"] = new JsonArray("template", "args"),
                ["additionalProperties"] = false,
            },
            new JsonObject { ["type"] = "null" }),
    };
}
