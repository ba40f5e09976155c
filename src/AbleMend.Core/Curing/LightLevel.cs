using System.Text.Json.Serialization;

namespace AbleMend.Core.Curing;

/// <summary>Light at the bench, for light-cured resin.</summary>
[JsonConverter(typeof(Kebab<LightLevel>))]
public enum LightLevel
{
    /// <summary>Clear sky, sun on the work.</summary>
    FullSun,

    /// <summary>Sun through haze or thin cloud.</summary>
    HazySun,

    /// <summary>Shade under an open sky.</summary>
    OpenShade,

    /// <summary>A lamp at the work.</summary>
    UvLamp,

    /// <summary>Indoors, away from a window.</summary>
    Indoors,
}
