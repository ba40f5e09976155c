using System.Globalization;
using System.Reflection;
using AbleMend.Core.Limits;
using AbleMend.Core.Quantities;
using AbleMend.Core.Words;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace AbleMend.Server.Http;

/// <summary>Title and version of the API's description.</summary>
public static class OpenApiWords
{
    /// <summary>Sets them.</summary>
    public static void Describe(OpenApiOptions options)
    {
        // What tells the kinds of a shape, device or rule apart is always there; the generator leaves it optional.
        options.AddSchemaTransformer((schema, _, _) =>
        {
            foreach (var kind in (schema.AnyOf ?? []).Where(each => each.Properties?.ContainsKey("kind") == true))
            {
                kind.Required?.Add("kind");
            }

            if (schema.Properties?.TryGetValue("kind", out var property) == true && property.Enum is { Count: 1 })
            {
                schema.Required ??= new HashSet<string>();
                schema.Required.Add("kind");
            }

            return Task.CompletedTask;
        });
        // Limits stand on the fields once, and are published from there.
        options.AddSchemaTransformer((schema, context, _) =>
        {
            if (context.JsonPropertyInfo?.AttributeProvider is { } field)
            {
                Limit(schema, field);
            }

            return Task.CompletedTask;
        });
        // Messages are said before they are sent, and quantities of one unit are numbers.
        options.AddSchemaTransformer((schema, context, _) =>
        {
            JsonSchemaType? said = context.JsonTypeInfo.Type == typeof(Message) ? JsonSchemaType.String : context.JsonTypeInfo.Type == typeof(CureTime) ? JsonSchemaType.Number : null;
            schema.Type = said ?? schema.Type;
            if (context.JsonTypeInfo.ElementType == typeof(Message))
            {
                schema.Items = new OpenApiSchema { Type = JsonSchemaType.String };
            }

            if (context.JsonPropertyInfo is { PropertyType: var text, CustomConverter: not null } property && text == typeof(string))
            {
                schema.Type = property.IsGetNullable ? JsonSchemaType.String | JsonSchemaType.Null : JsonSchemaType.String;
            }

            return Task.CompletedTask;
        });
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info.Title = "Able Mend";
            document.Info.Version = "1";
            document.Info.Description = "Cases in, plans out, and the bench in between. Cases and plans have the shapes of the open formats.";
            document.Servers?.Clear();
            return Task.CompletedTask;
        });
    }

    private static void Limit(OpenApiSchema schema, ICustomAttributeProvider field)
    {
        if (field.GetCustomAttributes(typeof(LimitsAttribute), true) is [LimitsAttribute limits])
        {
            (schema.Minimum, schema.Maximum) = (limits.Least.ToString(CultureInfo.InvariantCulture), limits.Most.ToString(CultureInfo.InvariantCulture));
        }

        if (field.GetCustomAttributes(typeof(SizeAttribute), true) is [SizeAttribute size])
        {
            var list = schema.Type?.HasFlag(JsonSchemaType.Array) == true;
            (schema.MinItems, schema.MaxItems) = list ? (size.Least, size.Most) : (schema.MinItems, schema.MaxItems);
            (schema.MinLength, schema.MaxLength) = list ? (schema.MinLength, schema.MaxLength) : (size.Least, size.Most);
        }
    }
}
