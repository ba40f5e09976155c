using System.Text.Json.Serialization;

namespace AbleMend.Core.Catalogue;

/// <summary>How long the mend is meant to hold.</summary>
[JsonConverter(typeof(Kebab<Permanence>))]
public enum Permanence
{
    /// <summary>For good.</summary>
    Lasting,

    /// <summary>For now, with the proper repair booked.</summary>
    ForNow,
}
