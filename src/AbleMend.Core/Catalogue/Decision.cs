using System.Text.Json.Serialization;

namespace AbleMend.Core.Catalogue;

/// <summary>What to do with the item, from the mildest to the gravest.</summary>
[JsonConverter(typeof(Kebab<Decision>))]
public enum Decision
{
    /// <summary>Mended here, for good.</summary>
    Mend,

    /// <summary>Mend for now, with the proper repair booked.</summary>
    MendForNow,

    /// <summary>Back to whoever sold it, before anything is sanded.</summary>
    Warranty,

    /// <summary>To a specialist shop.</summary>
    Refer,

    /// <summary>Out of use.</summary>
    Retire,

    /// <summary>Never mended here: it holds a life, or a mend of it would injure somebody.</summary>
    Refuse,
}
