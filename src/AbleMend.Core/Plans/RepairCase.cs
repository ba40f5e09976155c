using System.Text.Json.Serialization;
using AbleMend.Core.Gear;
using AbleMend.Core.Mixing;

namespace AbleMend.Core.Plans;

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

/// <summary>How long the mend is meant to hold.</summary>
[JsonConverter(typeof(Kebab<Permanence>))]
public enum Permanence
{
    /// <summary>For good.</summary>
    Lasting,

    /// <summary>For now, with the proper repair booked.</summary>
    ForNow,
}

/// <summary>Order of layered patches.</summary>
[JsonConverter(typeof(Kebab<PatchOrder>))]
public enum PatchOrder
{
    /// <summary>Small first, larger over it: the main school, and the default; the large one seals the edge of the small.</summary>
    SmallFirst,

    /// <summary>Large first, smaller over it: the other school; sanding back cuts less of the large patch.</summary>
    LargeFirst,
}

/// <summary>What drives light-cured resin.</summary>
[JsonConverter(typeof(Kebab<UvSchool>))]
public enum UvSchool
{
    /// <summary>Light only: the default; the resin waits until you are ready.</summary>
    LightOnly,

    /// <summary>Light and catalyst: sets in the shadows of the fibres too, but the pot clock runs.</summary>
    LightAndCatalyst,
}

/// <summary>The item.</summary>
/// <param name="Tag">Fleet tag, 1 to 40 characters.</param>
/// <param name="Construction">Identifier of its construction.</param>
/// <param name="AgeMonths">Age in months, 0 to 600; null when unknown.</param>
/// <param name="Warranty">Warranty.</param>
/// <param name="EarlierMend">Chemistry of an earlier mend at this place, <c>epoxy</c> or <c>polyester</c>, or null.</param>
public sealed record ItemFacts(string Tag, string Construction, int? AgeMonths, Warranty Warranty, string? EarlierMend = null);

/// <summary>Air, light and hours at the bench.</summary>
/// <param name="TemperatureC">Temperature in °C, -10 to 45.</param>
/// <param name="RelativeHumidityPercent">Relative humidity in percent, 1 to 100.</param>
/// <param name="Light">Light for light-cured resin.</param>
/// <param name="NightTemperatureC">Temperature from 20:00 to 07:00 in °C, -10 to 45; null for the same.</param>
/// <param name="Zone">IANA time zone of the shop.</param>
/// <param name="OpensHour">Hour at which hands are there, 0 to 23.</param>
/// <param name="ClosesHour">Hour at which hands leave, after <paramref name="OpensHour"/>, at most 24.</param>
public sealed record BenchFacts(
    double TemperatureC,
    double RelativeHumidityPercent,
    LightLevel Light = LightLevel.FullSun,
    double? NightTemperatureC = null,
    string Zone = "Etc/UTC",
    int OpensHour = 8,
    int ClosesHour = 18
);

/// <summary>How much each counts, 0 to 5.</summary>
public sealed record Weights(int Fast = 2, int Lasting = 3, int Tidy = 2, int Cheap = 1);

/// <summary>What is wanted.</summary>
/// <param name="Permanence">For good or for now.</param>
/// <param name="FinishGrit">Finest grit of the wet finish, such as <c>P400</c>.</param>
/// <param name="StartAt">When work begins; null lets whoever asks fill in the present.</param>
/// <param name="NeededBy">When it is needed; null for no hurry.</param>
/// <param name="Skill">1 beginner, 2 practised, 3 expert.</param>
/// <param name="Tint">Whether bare foam is tinted to match.</param>
/// <param name="Weights">The technician's weights.</param>
public sealed record Wanted(
    Permanence Permanence = Permanence.Lasting,
    string FinishGrit = "P400",
    DateTimeOffset? StartAt = null,
    DateTimeOffset? NeededBy = null,
    int Skill = 2,
    bool Tint = false,
    Weights? Weights = null
);

/// <summary>Tools at hand.</summary>
/// <param name="Measure">What two parts are measured with.</param>
/// <param name="Grits">Grits in the drawer, such as <c>P60</c>.</param>
public sealed record Tools(MeasuringDevice Measure, IReadOnlyList<string> Grits);

/// <summary>A material on the shelf.</summary>
/// <param name="Material">Identifier.</param>
/// <param name="UseBefore">Date after which it is not used, or null.</param>
public sealed record OnShelf(string Material, DateOnly? UseBefore = null);

/// <summary>What the technician chose; whatever is null is chosen by ranking or by default.</summary>
public sealed record Choice(
    string? Method = null,
    string? Resin = null,
    string? Cloth = null,
    string? Filler = null,
    PatchOrder PatchOrder = PatchOrder.SmallFirst,
    UvSchool UvSchool = UvSchool.LightOnly,
    string DryFinish = "P320"
);

/// <summary>A figure set by hand, with the reason that is kept beside it.</summary>
/// <param name="Figure">Identifier of the figure.</param>
/// <param name="Value">Value in the figure's own unit, above 0.</param>
/// <param name="Reason">Why, 3 to 300 characters.</param>
public sealed record Override(string Figure, double Value, string Reason);

/// <summary>Everything that a plan is worked out from. The same case and catalogue give the same plan.</summary>
/// <param name="Format">Always <see cref="CurrentFormat"/>.</param>
public sealed record RepairCase(
    string Format,
    ItemFacts Item,
    Damage Damage,
    BenchFacts Bench,
    Wanted Wanted,
    Tools Tools,
    IReadOnlyList<OnShelf>? Shelf = null,
    Choice? Choice = null,
    IReadOnlyList<Override>? Overrides = null
)
{
    /// <summary>Name and version of the format.</summary>
    public const string CurrentFormat = "able-mend/case/1";
}
