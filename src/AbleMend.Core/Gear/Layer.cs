using System.Text.Json.Serialization;
using AbleMend.Core.Limits;
using AbleMend.Core.Words;

namespace AbleMend.Core.Gear;

/// <summary>How a layer is drawn.</summary>
[JsonConverter(typeof(Kebab<Texture>))]
public enum Texture
{
    /// <summary>Clear or plain, such as a coat.</summary>
    Clear,

    /// <summary>A weave in resin.</summary>
    Weave,

    /// <summary>Fine foam.</summary>
    Foam,

    /// <summary>Foam of beads.</summary>
    Beads,

    /// <summary>Wood.</summary>
    Wood,

    /// <summary>A plain sheet.</summary>
    Sheet,

    /// <summary>Rubber.</summary>
    Rubber,

    /// <summary>Coated cloth.</summary>
    Cloth,

    /// <summary>Metal.</summary>
    Metal,

    /// <summary>Threads between two skins.</summary>
    Threads,

    /// <summary>Nothing but air.</summary>
    Air,
}

/// <summary>How much a layer moves in use: what is glued to it has to move as much.</summary>
[JsonConverter(typeof(Kebab<Movement>))]
public enum Movement
{
    /// <summary>Keeps its shape.</summary>
    Rigid,

    /// <summary>Bends, but hardly stretches.</summary>
    Bends,

    /// <summary>Stretches.</summary>
    Stretches,
}

/// <summary>A solid that layers are made of.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">Generic name of the material.</param>
/// <param name="Families">Chemical families that the matching rules speak of, such as <c>polystyrene-foam</c>.</param>
/// <param name="Texture">How it is drawn.</param>
/// <param name="Movement">How much it moves in use.</param>
/// <param name="SoftensAtC">Temperature in °C above which it may not be brought, or null.</param>
/// <param name="Source">Where these values come from.</param>
public sealed record Substance(
    string Id,
    [property: Size(1, 120)][property: Words] string Name,
    [property: Size(1, 12)] IReadOnlyList<string> Families,
    Texture Texture,
    Movement Movement,
    [property: Limits(30, 400, "°C")] double? SoftensAtC,
    [property: Size(5, 400)] string Source
);

/// <summary>One layer of an item, in its place from the outside in.</summary>
/// <param name="Id">Identifier, unique in the construction.</param>
/// <param name="Name">What the bench calls it.</param>
/// <param name="Substance">Identifier of its <see cref="Gear.Substance"/>.</param>
/// <param name="ThicknessMm">Thickness in millimetres, above 0.</param>
public sealed record Layer(string Id, [property: Size(1, 80)][property: Words] string Name, string Substance, [property: Limits(0.005, 1000, "mm")] double ThicknessMm);
