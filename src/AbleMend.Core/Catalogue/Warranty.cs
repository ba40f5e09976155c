using System.Text.Json.Serialization;

namespace AbleMend.Core.Catalogue;

/// <summary>Whether a warranty stands in the way.</summary>
[JsonConverter(typeof(Kebab<Warranty>))]
public enum Warranty
{
    /// <summary>Nobody has asked yet.</summary>
    Unknown,

    /// <summary>There is none, or it has run out.</summary>
    None,

    /// <summary>It is in force.</summary>
    InForce,

    /// <summary>The maker was asked and declined, or the owner gives it up.</summary>
    Declined,
}
