using System.Text.Json.Serialization;

namespace AbleMend.Core.Curing;

/// <summary>Light at the bench, for light-cured resin.</summary>
[JsonConverter(typeof(Kebab<LightLevel>))]
public enum LightLevel
{
    FullSun,
    HazySun,
    OpenShade,
    UvLamp,
    Indoors,
}
