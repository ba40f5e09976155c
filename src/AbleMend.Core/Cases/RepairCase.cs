using AbleMend.Core.Catalogue;
using AbleMend.Core.Curing;
using AbleMend.Core.Figures;
using AbleMend.Core.Gear;
using AbleMend.Core.Limits;
using AbleMend.Core.Materials;
using AbleMend.Core.Mixing;
using AbleMend.Core.Patching;

namespace AbleMend.Core.Cases;

/// <summary>The item.</summary>
/// <param name="Tag">Fleet tag, 1 to 40 characters.</param>
/// <param name="Construction">Identifier of its construction.</param>
/// <param name="AgeMonths">Age in months, 0 to 600; null when unknown.</param>
/// <param name="Warranty">Warranty.</param>
/// <param name="EarlierMend">Chemistry of an earlier mend at this place, <c>epoxy</c> or <c>polyester</c>, or null.</param>
public sealed record ItemFacts([property: Size(1, 40)] string Tag, string Construction, [property: Limits(0, 600, "months")] int? AgeMonths, Warranty Warranty, string? EarlierMend = null);

/// <summary>Air, light and hours at the bench.</summary>
/// <param name="TemperatureC">Temperature in °C, -10 to 45.</param>
/// <param name="RelativeHumidityPercent">Relative humidity in percent, 1 to 100.</param>
/// <param name="Light">Light for light-cured resin.</param>
/// <param name="NightTemperatureC">Temperature from 20:00 to 07:00 in °C, -10 to 45; null for the same.</param>
/// <param name="Zone">IANA time zone of the shop.</param>
/// <param name="OpensHour">Hour at which hands are there, 0 to 23.</param>
/// <param name="ClosesHour">Hour at which hands leave, after <paramref name="OpensHour"/>, at most 24.</param>
/// <param name="LatitudeDeg">Latitude of the shop in degrees, north positive; with the longitude it sets the sun.</param>
/// <param name="LongitudeDeg">Longitude of the shop in degrees, east positive.</param>
/// <param name="LampMwPerCm2">Ultraviolet of the lamp at the work in mW/cm², 0.1 to 1000; null for as much as full daylight.</param>
/// <param name="RoomM3">Room that is worked in, in m³, 1 to 100000; null leaves vapour unestimated.</param>
/// <param name="AirChangesPerHour">Air changes an hour in it, 0.1 to 100.</param>
/// <param name="AltitudeM">Altitude of the shop in metres, -400 to 5000.</param>
public sealed record BenchFacts(
    [property: Limits(-10, 45, "°C")] double TemperatureC,
    [property: Limits(1, 100, "%")] double RelativeHumidityPercent,
    LightLevel Light = LightLevel.FullSun,
    [property: Limits(-10, 45, "°C")] double? NightTemperatureC = null,
    string Zone = "Etc/UTC",
    [property: Limits(0, 23, "h")] int OpensHour = 8,
    [property: Limits(1, 24, "h")] int ClosesHour = 18,
    [property: Limits(-90, 90, "°")] double? LatitudeDeg = null,
    [property: Limits(-180, 180, "°")] double? LongitudeDeg = null,
    [property: Limits(0.1, 1000, "mW/cm²")] double? LampMwPerCm2 = null,
    [property: Limits(1, 100000, "m³")] double? RoomM3 = null,
    [property: Limits(0.1, 100, "an hour")] double AirChangesPerHour = 2,
    [property: Limits(-400, 5000, "m")] double AltitudeM = 0
)
{
    /// <summary>Air at the bench from an instant on, under its sky.</summary>
    internal Climate ClimateFrom(DateTimeOffset start) =>
        (NightTemperatureC is { } night
            ? Climate.DayAndNight(TemperatureC, night, start, TimeZoneInfo.FindSystemTimeZoneById(Zone))
            : Climate.Steady(TemperatureC))
        .Under(LatitudeDeg is { } latitude && LongitudeDeg is { } longitude ? new Sky(latitude, longitude) : null);
}

/// <summary>How much each counts, 0 to 5.</summary>
public sealed record Weights([property: Limits(0, 5)] int Fast = 2, [property: Limits(0, 5)] int Lasting = 3, [property: Limits(0, 5)] int Tidy = 2, [property: Limits(0, 5)] int Cheap = 1);

/// <summary>What is wanted.</summary>
/// <param name="Permanence">For good or for now.</param>
/// <param name="FinishGrit">Finest grit of the wet finish, such as <c>P400</c>.</param>
/// <param name="StartAt">When work begins; null lets whoever asks fill in the present.</param>
/// <param name="NeededBy">When it is needed; null for no hurry.</param>
/// <param name="Skill">1 beginner, 2 practised, 3 expert.</param>
/// <param name="Tint">Whether bare foam is tinted to match.</param>
/// <param name="Weights">The technician's weights.</param>
/// <param name="HottestInUseC">Hottest that the place gets in use in °C, 0 to 90: a black hull in the sun reaches 60.</param>
/// <param name="UsedAtM">Highest that it is taken in use, in metres of altitude, -400 to 5000; null for the shop's own.</param>
public sealed record Wanted(
    Permanence Permanence = Permanence.Lasting,
    string FinishGrit = "P400",
    DateTimeOffset? StartAt = null,
    DateTimeOffset? NeededBy = null,
    [property: Limits(1, 3)] int Skill = 2,
    bool Tint = false,
    Weights? Weights = null,
    [property: Limits(0, 90, "°C")] double HottestInUseC = 45,
    [property: Limits(-400, 5000, "m")] double? UsedAtM = null
);

/// <summary>Tools at hand.</summary>
/// <param name="Measure">What two parts are measured with.</param>
/// <param name="Grits">Grits in the drawer, such as <c>P60</c>.</param>
/// <param name="Has">Identifiers of tools at hand that some methods need; null when all are.</param>
/// <param name="Dropper">The shop's own dropper of catalyst, as it was counted onto a scale; null for the usual one.</param>
public sealed record Tools(MeasuringDevice Measure, [property: Size(1, 60)] IReadOnlyList<string> Grits, [property: Size(0, 60)] IReadOnlyList<string>? Has = null, WeighedDrops? Dropper = null);

/// <summary>A material on the shelf.</summary>
/// <param name="Material">Identifier.</param>
/// <param name="UseBefore">Date after which it is not used, or null.</param>
/// <param name="OpenedOn">Day on which it was opened, or null while it is sealed.</param>
public sealed record OnShelf(string Material, DateOnly? UseBefore = null, DateOnly? OpenedOn = null)
{
    /// <summary>The last day on which it is used: the date on it, or its life once opened, whichever ends first; null for no end.</summary>
    /// <param name="material">The material, as its label describes it.</param>
    public DateOnly? LastDay(Material material)
    {
        var opened = OpenedOn is { } day && material.ShelfLife is { } life ? day.AddDays((int)(life.OpenedMonths * DaysPerMonth)) : (DateOnly?)null;
        return UseBefore is { } date && opened is { } end ? (date < end ? date : end) : UseBefore ?? opened;
    }

    private const double DaysPerMonth = 365.25 / 12;
}

/// <summary>What the technician chose; whatever is null is chosen by ranking or by default.</summary>
/// <param name="Method">Identifier of the way of mending.</param>
/// <param name="Material">Identifier of the main material, the one that holds.</param>
/// <param name="Cloth">Identifier of the cloth.</param>
/// <param name="Filler">Identifier of the filler.</param>
/// <param name="Patch">Identifier of the stock that patches are cut from.</param>
/// <param name="Schools">Option chosen where practitioners disagree, by question; the default of the question where it is left out.</param>
public sealed record Choice(
    string? Method = null,
    string? Material = null,
    string? Cloth = null,
    string? Filler = null,
    string? Patch = null,
    IReadOnlyDictionary<string, string>? Schools = null
);

/// <summary>One damage of the item, with what was chosen and set by hand for it.</summary>
/// <param name="Seen">The damage as seen.</param>
/// <param name="Choice">What the technician chose for it.</param>
/// <param name="Overrides">Its figures that were set by hand.</param>
public sealed record DamageToMend(Damage Seen, Choice? Choice = null, [property: Size(0, 100)] IReadOnlyList<Override>? Overrides = null);

/// <summary>Everything that a plan is worked out from. The same case and catalogue give the same plan.</summary>
/// <param name="Format">Always <see cref="CurrentFormat"/>.</param>
/// <param name="Item">The item.</param>
/// <param name="Damages">Its damages, 1 to 12: each has its own place, shape and depth, and is mended in its own way.</param>
/// <param name="Bench">Air, light and hours.</param>
/// <param name="Wanted">What is wanted.</param>
/// <param name="Tools">Tools at hand.</param>
/// <param name="Shelf">What is on the shelf; null when everything is.</param>
/// <param name="Products">The shop's own products, as their labels describe them, beside the catalogue's.</param>
/// <param name="Offcuts">Pieces of cloth and patch stock at hand, on which the patches are fitted.</param>
/// <param name="Paces">How fast products set at this shop beside their labels, as touch has taught; null where nothing was learnt.</param>
public sealed record RepairCase(
    string Format,
    ItemFacts Item,
    [property: Size(1, 12)] IReadOnlyList<DamageToMend> Damages,
    BenchFacts Bench,
    Wanted Wanted,
    Tools Tools,
    [property: Size(0, 1000)] IReadOnlyList<OnShelf>? Shelf = null,
    [property: Size(0, 200)] IReadOnlyList<Material>? Products = null,
    [property: Size(0, 200)] IReadOnlyList<Offcut>? Offcuts = null,
    [property: Size(0, 200)] IReadOnlyList<LearntPace>? Paces = null
)
{
    /// <summary>Name and version of the format.</summary>
    public const string CurrentFormat = "able-mend/case/2";

    /// <summary>The case with its start filled in where it is open.</summary>
    /// <param name="now">The present.</param>
    public RepairCase StartingAt(DateTimeOffset now) => Wanted.StartAt is null ? this with { Wanted = Wanted with { StartAt = now } } : this;
}
