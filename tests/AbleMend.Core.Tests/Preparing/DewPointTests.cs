using AbleMend.Core.Preparing;

namespace AbleMend.Core.Tests.Preparing;

public class DewPointTests
{
    // Magnus formula with the coefficients of Sonntag (1990); tabled values to a tenth of a degree.
    [Theory]
    [InlineData(20, 60, 12.0)]
    [InlineData(25, 50, 13.9)]
    [InlineData(15, 80, 11.6)]
    [InlineData(10, 90, 8.4)]
    [InlineData(30, 70, 23.9)]
    public void The_dew_point_agrees_with_the_tables(double air, double humidity, double dew) =>
        DewPoint.Celsius(air, humidity).ShouldBe(dew, 0.06);

    [Fact]
    public void Saturated_air_is_at_its_dew_point() => DewPoint.Celsius(17.5, 100).ShouldBe(17.5, 1e-9);

    // ISO 8502-4: at least 3 °C above.
    [Theory]
    [InlineData(10)]
    [InlineData(20)]
    [InlineData(28)]
    public void The_highest_humidity_leaves_just_the_margin(double air) =>
        (air - DewPoint.Celsius(air, DewPoint.HighestHumidityPercent(air))).ShouldBe(DewPoint.MarginK, 1e-9);

    [Theory]
    [InlineData(20, 0)]
    [InlineData(20, 100.1)]
    [InlineData(61, 50)]
    [InlineData(double.NaN, 50)]
    public void Absurd_air_is_refused(double air, double humidity) =>
        Should.Throw<ArgumentOutOfRangeException>(() => DewPoint.Celsius(air, humidity));
}
