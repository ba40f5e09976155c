using System.Text.Json;
using System.Text.Json.Serialization;

namespace AbleMend.Core.Quantities;

/// <summary>Writes a quantity as the plain number of its unit; the name of the property says which unit that is.</summary>
/// <typeparam name="TQuantity">The quantity.</typeparam>
public sealed class MagnitudeJson<TQuantity> : JsonConverter<TQuantity>
    where TQuantity : struct, IQuantity<TQuantity>
{
    /// <inheritdoc/>
    public override TQuantity Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => TQuantity.Of(reader.GetDouble());

    /// <inheritdoc/>
    public override void Write(Utf8JsonWriter writer, TQuantity value, JsonSerializerOptions options) => writer.WriteNumberValue(value.Magnitude);
}
