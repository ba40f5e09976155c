using System.Text.Json.Serialization;

namespace AbleMend.Core.Catalogue;

/// <summary>Whether a warranty stands in the way.</summary>
[JsonConverter(typeof(Kebab<Warranty>))]
public enum Warranty
{
    Unknown,
    None,
    InForce,

    /// <summary>The maker was asked and declined, or the owner gives it up.</summary>
    Declined,
}
