using System.Globalization;

namespace AbleMend.Devices;

/// <summary>Where the bench listens for instruments.</summary>
/// <param name="Host">Its name.</param>
/// <param name="Port">Its port.</param>
internal sealed record Address(string Host, int Port)
{
    /// <summary>Reads an address such as <c>127.0.0.1:5081</c>; null where it is none.</summary>
    public static Address? Parse(string text) =>
        text.Split(':') is [{ Length: > 0 } host, var number] && int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var port) && port is >= 1 and <= 65535 ? new Address(host, port) : null;
}
