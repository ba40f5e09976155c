using System.Text.Json;
using AbleMend.Core;
using AbleMend.Core.Quantities;

namespace AbleMend.Cli;

/// <summary>The table of units as the page reads it: one table for page, paper and command line.</summary>
public static class UnitTable
{
    private static readonly JsonSerializerOptions Pretty = new(OpenJson.Options) { WriteIndented = true, Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>The table as JSON, by symbol.</summary>
    public static string Write() => JsonSerializer.Serialize(Units.All.Values.OrderBy(unit => unit.Symbol, StringComparer.Ordinal).ToDictionary(unit => unit.Symbol), Pretty);
}
