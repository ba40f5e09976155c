using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using AbleMend.Core.Plans;

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
        var options = new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true };
        var schema = (JsonObject)OpenJson.Options.GetJsonSchemaAsNode(type, options);
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", title);
        return schema.ToJsonString(Indented);
    }
}
